import { steps } from '../step.ts';

/* What keeps rust away: products of the shop, coats on faces, faces that are shut bare for a reason. */
export const close = steps(11, [
  [
    'CreateCoatProduct',
    `CREATE TABLE IF NOT EXISTS coat_product (
      id char(36) NOT NULL,
      shopId char(36) NOT NULL,
      name varchar(80) NOT NULL,
      kind varchar(12) NOT NULL,
      hours double NOT NULL,
      latest double NULL,
      least double NOT NULL,
      coverage double NOT NULL,
      weldThrough tinyint NOT NULL,
      grit int NULL,
      version int NOT NULL,
      CONSTRAINT FK_681105c873ec79f63aeb600d0f5 FOREIGN KEY (shopId) REFERENCES shop (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateCoat',
    `CREATE TABLE IF NOT EXISTS coat (
      id char(36) NOT NULL,
      vehicleId char(36) NOT NULL,
      faces longtext NOT NULL,
      product varchar(40) NOT NULL,
      name varchar(80) NOT NULL,
      kind varchar(12) NOT NULL,
      hours double NOT NULL,
      latest double NULL,
      least double NOT NULL,
      grit int NULL,
      celsius double NOT NULL,
      humidity double NULL,
      steel double NULL,
      note varchar(300) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      CONSTRAINT FK_75e9ea4b7159859d53759f481c3 FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateCloseOverrule',
    `CREATE TABLE IF NOT EXISTS close_overrule (
      repairId char(36) NOT NULL,
      reason varchar(300) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      CONSTRAINT FK_0381cbff742a87a7715b8a6b647 FOREIGN KEY (repairId) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (repairId)
    ) ENGINE=InnoDB`,
  ],
]);
