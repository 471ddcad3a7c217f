import type { Beside } from '../../draw.ts';

/* Which panels lie at which, by name without their side: joined, or across a gap that shows. */
export const saloonMeetings: { joined: Beside; gaps: Beside } = {
  joined: {
    'inner-wing': ['slam-panel', 'front-panel', 'wing', 'bulkhead', 'leg-front'],
    wing: ['front-panel', 'front-valance', 'cowl', 'hinge-post', 'sill'],
    'front-panel': ['front-valance'],
    bulkhead: ['cowl', 'hinge-post', 'floor-front', 'tunnel', 'leg-front'],
    pillar: ['cowl', 'hinge-post', 'roof'],
    sill: ['hinge-post', 'lock-post', 'heel-board'],
    tunnel: ['floor-front', 'heel-board'],
    crossmember: ['leg-front', 'floor-front'],
    'leg-front': ['floor-front'],
    'lock-post': ['quarter', 'wheel-house'],
    'wheel-house': ['quarter', 'floor-rear', 'boot-floor', 'boot-drop', 'seat-bulkhead'],
    quarter: ['tail-panel', 'rear-deck', 'rear-valance', 'boot-drop'],
    'boot-floor': ['tail-panel', 'rear-valance', 'boot-drop', 'floor-rear'],
    'tail-panel': ['rear-valance'],
    'floor-rear': ['leg-rear', 'seat-bulkhead'],
    'rear-deck': ['roof', 'seat-bulkhead'],
    'door-inner': ['door-skin'],
  },
  gaps: {
    'door-skin': ['wing', 'sill', 'pillar', 'quarter'],
    'hinge-post': ['door-skin'],
    'lock-post': ['door-skin'],
    bonnet: ['wing', 'cowl', 'front-panel', 'slam-panel'],
    'boot-lid': ['quarter', 'rear-deck', 'tail-panel'],
  },
};
