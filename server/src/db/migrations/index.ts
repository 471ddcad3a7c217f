import { firstHouse } from './001-first-house.ts';
import { deepSurvey } from './002-deep-survey.ts';
import { overlay } from './003-overlay.ts';
import { backAgain } from './004-back-again.ts';
import { trust } from './005-trust.ts';
import { units } from './006-units.ts';
import { marked } from './007-marked.ts';
import { again } from './008-again.ts';
import { job } from './009-job.ts';
import { hold } from './010-hold.ts';
import { close } from './011-close.ts';
import { fit } from './012-fit.ts';
import { recordKept } from './013-record.ts';
import { item } from './014-item.ts';
import { clock } from './015-clock.ts';
import { parcel } from './016-parcel.ts';
import { way } from './017-way.ts';
import { wish } from './018-wish.ts';
import { dress } from './019-dress.ts';
import { pattern } from './020-pattern.ts';
import { facts } from './021-facts.ts';
import { practice } from './022-practice.ts';
import { paces } from './023-paces.ts';
import { feed } from './024-feed.ts';
import { paint } from './025-paint.ts';
import { layers } from './026-layers.ts';
import { purse } from './027-purse.ts';
import { ownStep } from './028-ownStep.ts';
import { shelf } from './029-shelf.ts';
import { undo } from './030-undo.ts';
import { pins } from './031-pins.ts';
import { sections } from './032-sections.ts';
import { spread } from './034-spread.ts';
import { systems } from './035-systems.ts';
import { localRules } from './036-local-rules.ts';
import { limits } from './037-limits.ts';
import { welding } from './038-welding.ts';
import { metalwork } from './039-metalwork.ts';
import { tools } from './040-tools.ts';
import { tracking } from './033-tracking.ts';

/** The layouts that have been released, oldest first. Add a file with the next number; never change what one makes. */
export const volumes = [
  firstHouse,
  deepSurvey,
  overlay,
  backAgain,
  trust,
  units,
  marked,
  again,
  job,
  hold,
  close,
  fit,
  recordKept,
  item,
  clock,
  parcel,
  way,
  wish,
  dress,
  pattern,
  facts,
  practice,
  paces,
  feed,
  paint,
  layers,
  purse,
  ownStep,
  shelf,
  undo,
  pins,
  sections,
  tracking,
  spread,
  systems,
  localRules,
  limits,
  welding,
  metalwork,
  tools,
];

/** All migrations, oldest first. */
export const migrations = volumes.flat();
