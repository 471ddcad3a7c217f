import type { Beside } from '../../draw.ts';

/* Which panels lie at which, by name without their side: joined, or across a gap that shows. */
export const platformMeetings: { joined: Beside; gaps: Beside } = {
  joined: {
    'inner-wing': ['wing', 'front-panel', 'bulkhead', 'cowl', 'hinge-post'],
    wing: ['front-panel', 'front-valance', 'hinge-post'],
    'front-panel': ['front-valance'],
    bulkhead: ['cowl', 'hinge-post', 'dash'],
    pillar: ['cowl', 'hinge-post', 'roof', 'quarter'],
    sill: ['lock-post'],
    'lock-post': ['quarter', 'wheel-house'],
    'wheel-house': ['quarter', 'luggage-side', 'luggage-floor'],
    'luggage-side': ['luggage-floor', 'engine-bulkhead', 'quarter'],
    quarter: ['rear-panel', 'rear-deck', 'rear-valance', 'engine-bulkhead'],
    'rear-panel': ['rear-valance'],
    'rear-deck': ['roof', 'parcel-shelf'],
    tunnel: ['pan-front', 'pan-rear', 'frame-head', 'crossmember-seat', 'crossmember-rear'],
    'frame-head': ['pan-front'],
    'pan-front': ['pan-rear', 'crossmember-seat'],
    'pan-rear': ['crossmember-rear'],
    'crossmember-rear': ['rear-fork'],
    'door-inner': ['door-skin'],
  },
  gaps: {
    'door-skin': ['wing', 'sill', 'pillar', 'quarter'],
    'hinge-post': ['door-skin'],
    'lock-post': ['door-skin'],
    'front-lid': ['wing', 'cowl', 'front-panel'],
    'rear-lid': ['quarter', 'rear-deck', 'rear-panel'],
  },
};
