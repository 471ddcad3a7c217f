import Joi from 'joi';
import { combine, distance, grow, minimumWidth } from '@aspecta/core/geometry';
import { calculation, degrees, maybe, mm, number, point, polygon, polygons } from './kit.ts';

const square = [
  [
    [0, 0],
    [100, 0],
    [100, 100],
    [0, 100],
  ],
];
const shape = {
  polygons: polygons('what is left'),
  area: number('area', 'mm²'),
  perimeter: mm('all edges, holes included'),
  centroid: maybe(point('centroid')),
};

export const geometryCalculations = [
  calculation({
    id: 'geometry.combine',
    title: 'Combine two areas',
    question: 'What do two areas make together?',
    sources: ['Vatti 1992 (Clipper library)'],
    needs: {
      op: Joi.string().description('union, intersection or difference'),
      a: polygon('first area'),
      b: polygon('second area'),
    },
    gives: shape,
    example: {
      op: 'union',
      a: square,
      b: [
        [
          [50, 50],
          [150, 50],
          [150, 150],
          [50, 150],
        ],
      ],
    },
    run: combine,
  }),
  calculation({
    id: 'geometry.grow',
    title: 'Grow an area',
    question: 'What does an area become when its edge moves?',
    sources: ['Clipper library', 'Steiner formula'],
    needs: { a: polygon('area'), by: mm('how far the edge moves; negative inwards') },
    may: { join: Joi.string().description('corners: round or miter') },
    gives: shape,
    example: { a: square, by: 20, join: 'round' },
    run: grow,
  }),
  calculation({
    id: 'geometry.minimumWidth',
    title: 'Narrowest way through',
    question: 'Through how narrow a slot does this piece pass?',
    sources: ['Toussaint 1983, rotating calipers'],
    needs: { a: polygon('piece') },
    gives: { width: mm('least width'), angle: degrees('side that lies against the caliper, from u') },
    example: { a: square },
    run: minimumWidth,
  }),
  calculation({
    id: 'geometry.distance',
    title: 'Distance of two areas',
    question: 'How far apart are two areas?',
    sources: ['Euclidean geometry'],
    needs: { a: polygon('first area'), b: polygon('second area') },
    gives: { distance: mm('at the nearest; 0 where they touch') },
    example: {
      a: square,
      b: [
        [
          [150, 0],
          [200, 0],
          [200, 50],
        ],
      ],
    },
    run: distance,
  }),
];
