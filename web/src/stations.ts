import { account, join } from './account/station.ts';
import { board } from './board/station.ts';
import { body } from './body/station.ts';
import { book } from './book/station.ts';
import { close } from './close/station.ts';
import { cut } from './cut/station.ts';
import { dress } from './dress/station.ts';
import { fit } from './fit/station.ts';
import { garage } from './garage/station.ts';
import { hold } from './hold/station.ts';
import { house } from './house/station.ts';
import { job } from './job/station.ts';
import { order } from './order/station.ts';
import { pattern } from './pattern/station.ts';
import { photo } from './photo/station.ts';
import { plan } from './plan/station.ts';
import { practice } from './practice/station.ts';
import { record, shared } from './record/station.ts';
import { joints } from './repair/station.ts';
import type { Station } from './station.ts';
import { stock } from './stock/station.ts';
import { learnt, survey } from './survey/station.ts';
import { verdict } from './verdict/station.ts';
import { walk } from './walk/station.ts';
import { way } from './way/station.ts';
import { weeks } from './weeks/station.ts';
import { weld } from './weld/station.ts';
import { whole } from './whole/station.ts';

/** All stations in the order of the work. */
export const stations: readonly Station[] = [
  garage,
  weeks,
  board,
  walk,
  photo,
  survey,
  hold,
  verdict,
  whole,
  order,
  stock,
  cut,
  joints,
  pattern,
  way,
  fit,
  weld,
  dress,
  close,
  job,
  plan,
  record,
  body,
  book,
  practice,
  house,
  learnt,
  account,
  join,
  shared,
];
