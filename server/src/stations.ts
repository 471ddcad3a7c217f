import { account } from './account/station.ts';
import { archive } from './archive/station.ts';
import { board } from './board/station.ts';
import { body } from './body/station.ts';
import { calc } from './calc/station.ts';
import { close } from './close/station.ts';
import { cut } from './cut/station.ts';
import { dress } from './dress/station.ts';
import { feed } from './feed/station.ts';
import { fit } from './fit/station.ts';
import { garage } from './garage/station.ts';
import { gauge } from './gauge/station.ts';
import { hold } from './hold/station.ts';
import { live } from './live/station.ts';
import { order } from './order/station.ts';
import { pace } from './pace/station.ts';
import { pattern } from './pattern/station.ts';
import { photo } from './photo/station.ts';
import { job } from './job/station.ts';
import { plan } from './plan/station.ts';
import { joints } from './repair/station.ts';
import { practice } from './practice/station.ts';
import { purse } from './purse/station.ts';
import { record } from './record/station.ts';
import { report } from './report/station.ts';
import { shape } from './shape/station.ts';
import { shop } from './shop/station.ts';
import { shelf } from './shelf/station.ts';
import { side } from './side/station.ts';
import type { Station } from './station.ts';
import { stock } from './stock/station.ts';
import { survey } from './survey/station.ts';
import { walk } from './survey/walkStation.ts';
import { verdict } from './verdict/station.ts';
import { way } from './way/station.ts';
import { weld } from './weld/station.ts';
import { whole } from './whole/station.ts';

/**
 * All stations of the house. A station stands on those before it; whoever needs all of them goes
 * through this list.
 */
export const stations: readonly Station[] = [
  shop,
  body,
  garage,
  account,
  walk,
  photo,
  survey,
  order,
  purse,
  pace,
  verdict,
  whole,
  cut,
  joints,
  pattern,
  stock,
  way,
  fit,
  close,
  weld,
  shelf,
  dress,
  hold,
  job,
  side,
  plan,
  feed,
  record,
  archive,
  board,
  report,
  live,
  gauge,
  calc,
  shape,
  practice,
];
