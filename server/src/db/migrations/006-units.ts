import { steps } from '../step.ts';

/* House rules say in what coatings and temperatures are read. */
export const units = steps(6, [
  ['AddCoatingUnitToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS coatingUnit varchar(3) NOT NULL`],
  ['AddHeatUnitToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS heatUnit varchar(1) NOT NULL`],
  ['FillCoatingUnitOfShop', `UPDATE shop SET coatingUnit = 'um' WHERE coatingUnit = ''`],
  ['FillHeatUnitOfShop', `UPDATE shop SET heatUnit = 'C' WHERE heatUnit = ''`],
]);
