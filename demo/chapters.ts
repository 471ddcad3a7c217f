import type { Chapter } from './chapter.ts';
import { close } from './close.ts';
import { decide } from './decisions.ts';
import { fit } from './fit.ts';
import { hold } from './hold.ts';
import { inspect } from './inspect.ts';
import { job } from './job.ts';
import { joints } from './joints.ts';
import { order } from './orders.ts';
import { purse } from './purse.ts';
import { readings } from './readings.ts';
import { offers } from './offers.ts';
import { shelf } from './shelf.ts';
import { stock } from './stock.ts';
import { way } from './way.ts';
import { zones } from './zones.ts';

/** The story of a car in the order of the work; a station that has something to show adds its chapter. */
export const chapters: readonly Chapter[] = [
  offers,
  readings,
  inspect,
  zones,
  decide,
  order,
  joints,
  stock,
  shelf,
  way,
  fit,
  hold,
  close,
  job,
  purse,
];
