import type { Beside } from '../../draw.ts';

/* Which panels lie at which, by name without their side: joined, or across a gap that shows. */
export const pickupMeetings: { joined: Beside; gaps: Beside } = {
  joined: {
    'inner-wing': ['wing', 'front-panel', 'bulkhead', 'cowl'],
    wing: ['front-panel', 'front-valance', 'cowl', 'hinge-post'],
    'front-panel': ['front-valance'],
    bulkhead: ['cowl', 'hinge-post', 'cab-floor', 'tunnel'],
    pillar: ['cowl', 'hinge-post', 'roof', 'cab-corner'],
    sill: ['hinge-post', 'cab-corner', 'step-bracket'],
    'cab-floor': ['tunnel', 'cab-mount', 'hinge-post', 'cab-corner', 'cab-back'],
    'cab-back': ['roof'],
    'cab-mount': ['sill'],
    rail: ['crossmember-middle', 'crossmember-rear'],
    'bed-floor': ['bed-sill-1', 'bed-sill-2', 'bed-sill-3'],
    'bed-inner': ['bed-side', 'wheel-tub'],
    'wheel-tub': ['bed-floor', 'bed-side'],
    'door-inner': ['door-skin'],
    'tailgate-inner': ['tailgate'],
  },
  gaps: {
    'door-skin': ['wing', 'sill', 'pillar', 'cab-corner'],
    'hinge-post': ['door-skin'],
    bonnet: ['wing', 'cowl', 'front-panel'],
    tailgate: ['bed-side'],
    'bed-side': ['cab-corner'],
  },
};
