import { steps } from '../step.ts';

/* Patterns of repairs, and the sheets of the rack that they are cut from. */
export const pattern = steps(20, [
  [
    'CreatePattern',
    `CREATE TABLE IF NOT EXISTS pattern (
      id char(36) NOT NULL,
      settings longtext NOT NULL,
      cutFrom longtext NULL,
      version int NOT NULL,
      CONSTRAINT FK_50f41f421043f2637873957f277 FOREIGN KEY (id) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateStockSheet',
    `CREATE TABLE IF NOT EXISTS stock_sheet (
      id char(36) NOT NULL,
      shopId char(36) NOT NULL,
      name varchar(80) NOT NULL,
      width double NOT NULL,
      height double NOT NULL,
      thickness double NOT NULL,
      material varchar(12) NOT NULL,
      leftover tinyint NOT NULL,
      addedAt datetime(3) NOT NULL,
      usedAt datetime(3) NULL,
      version int NOT NULL,
      CONSTRAINT FK_43250f0130107e9535f1dd7da01 FOREIGN KEY (shopId) REFERENCES shop (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
