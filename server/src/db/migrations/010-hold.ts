import { steps } from '../step.ts';

/* What holds a car in shape: measurements of it with their tapes, points of one's own, braces, gaps of what hangs on it. */
export const hold = steps(10, [
  [
    'CreateHoldRound',
    `CREATE TABLE IF NOT EXISTS hold_round (
      id char(36) NOT NULL,
      vehicleId char(36) NOT NULL,
      name varchar(80) NOT NULL,
      stand varchar(12) NOT NULL,
      finished tinyint NOT NULL,
      kept longtext NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      version int NOT NULL,
      CONSTRAINT FK_ecf7465e33975982bb2f5a31737 FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateHoldTape',
    `CREATE TABLE IF NOT EXISTS hold_tape (
      id char(36) NOT NULL,
      roundId char(36) NOT NULL,
      kind varchar(8) NOT NULL,
      fromPoint varchar(80) NOT NULL,
      toPoint varchar(80) NOT NULL,
      length double NOT NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      gone tinyint NOT NULL,
      CONSTRAINT FK_414a11247f6f72ea7bae7c0fe15 FOREIGN KEY (roundId) REFERENCES hold_round (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateHoldPoint',
    `CREATE TABLE IF NOT EXISTS hold_point (
      id char(36) NOT NULL,
      vehicleId char(36) NOT NULL,
      name varchar(80) NOT NULL,
      figure varchar(40) NOT NULL,
      u double NOT NULL,
      v double NOT NULL,
      CONSTRAINT FK_b4e6039c182b6429c77824964cd FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateHoldBrace',
    `CREATE TABLE IF NOT EXISTS hold_brace (
      id char(36) NOT NULL,
      vehicleId char(36) NOT NULL,
      figure varchar(40) NOT NULL,
      ends longtext NOT NULL,
      length double NOT NULL,
      fittedBy varchar(120) NOT NULL,
      fittedAt datetime(3) NOT NULL,
      outBy varchar(120) NULL,
      outAt datetime(3) NULL,
      reason varchar(300) NOT NULL,
      CONSTRAINT FK_43f294690a0aa4cdeb9fe627a22 FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateHoldGap',
    `CREATE TABLE IF NOT EXISTS hold_gap (
      id char(36) NOT NULL,
      vehicleId char(36) NOT NULL,
      hung varchar(40) NOT NULL,
      readings longtext NOT NULL,
      shims longtext NOT NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      CONSTRAINT FK_3b3305bccfa306f01a46dd53359 FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
