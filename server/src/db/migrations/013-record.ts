import { steps } from '../step.ts';

/* Links by which strangers read the record of a car. */
export const recordKept = steps(13, [
  [
    'CreateShareLink',
    `CREATE TABLE IF NOT EXISTS share_link (
      id char(36) NOT NULL,
      vehicleId char(36) NOT NULL,
      tokenHash char(64) NOT NULL,
      label varchar(120) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      createdAt datetime(3) NOT NULL,
      expiresAt datetime(3) NOT NULL,
      revokedAt datetime(3) NULL,
      opened int NOT NULL,
      INDEX share_token (tokenHash),
      CONSTRAINT FK_adceeb06036f255025dda5ab8cd FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
