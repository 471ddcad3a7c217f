import type { Beside } from '../../draw.ts';

/* Which panels lie at which, by name without their side: joined, or across a gap that shows. */
export const offroaderMeetings: { joined: Beside; gaps: Beside } = {
  joined: {
    'inner-wing': ['wing', 'front-panel', 'bulkhead'],
    wing: ['front-panel'],
    bulkhead: ['scuttle', 'hinge-post', 'floor-front', 'tunnel'],
    'windscreen-frame': ['scuttle', 'pillar', 'roof'],
    pillar: ['hinge-post', 'roof'],
    'hinge-post': ['floor-front'],
    'lock-post': ['sill', 'tub-side', 'upper-side'],
    'floor-front': ['tunnel', 'seat-box', 'outrigger-front'],
    'wheel-box': ['tub-side', 'load-floor', 'seat-box'],
    'load-floor': ['seat-box', 'outrigger-rear'],
    'rear-corner': ['tub-side'],
    'rear-door-frame': ['load-floor', 'roof', 'upper-side', 'tub-side'],
    'upper-side': ['roof'],
    rail: ['crossmember-front', 'crossmember-middle', 'crossmember-rear', 'outrigger-rear', 'front-bumper'],
    'door-inner': ['door-skin'],
  },
  gaps: {
    'door-skin': ['wing', 'sill', 'pillar', 'tub-side', 'upper-side'],
    'hinge-post': ['door-skin'],
    'lock-post': ['door-skin'],
    bonnet: ['wing', 'scuttle', 'front-panel'],
    'rear-door': ['rear-corner', 'rear-door-frame'],
  },
};
