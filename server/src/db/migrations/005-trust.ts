import { steps } from '../step.ts';

/* What makes a shop hold: revisions, prices of their day, accounts by invitation, guests, throttling and gauges over several processes. */
export const trust = steps(5, [
  ['AddRevisionToVehicle', `ALTER TABLE vehicle ADD COLUMN IF NOT EXISTS revision int NOT NULL`],
  ['IndexReadingCounting', `CREATE INDEX IF NOT EXISTS reading_counting ON reading (vehicleId, withdrawnAt, panel)`],
  ['AddTemperatureToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS temperature double NOT NULL`],
  ['FillTemperatureOfShop', `UPDATE shop SET temperature = 20 WHERE temperature = 0`],

  // Offers belonged to a body plan; now each car of that plan has its own copy, under an id that follows from both.
  ['AddVehicleToOffer', `ALTER TABLE offer ADD COLUMN IF NOT EXISTS vehicleId char(36) NULL`],
  ['AddCurrencyToOffer', `ALTER TABLE offer ADD COLUMN IF NOT EXISTS currency varchar(3) NOT NULL`],
  [
    'FillCurrencyOfOffer',
    `UPDATE offer JOIN shop ON shop.id = offer.shopId SET offer.currency = shop.currency WHERE offer.currency = ''`,
  ],
  [
    'CopyOffersToVehicles',
    `INSERT IGNORE INTO offer (id, shopId, planId, panel, maker, price, carriage, leadDays, vehicleId, currency)
      SELECT INSERT(INSERT(INSERT(INSERT(MD5(CONCAT(offer.id, vehicle.id)), 9, 0, '-'), 14, 0, '-'), 19, 0, '-'), 24, 0, '-'),
        offer.shopId, offer.planId, offer.panel, offer.maker, offer.price, offer.carriage, offer.leadDays, vehicle.id, offer.currency
      FROM offer JOIN vehicle ON vehicle.shopId = offer.shopId AND vehicle.planId = offer.planId
      WHERE offer.vehicleId IS NULL`,
  ],
  ['IndexOfferVehicle', `CREATE INDEX IF NOT EXISTS offer_vehicle ON offer (vehicleId, panel)`],
  [
    'BindOfferVehicle',
    `ALTER TABLE offer ADD CONSTRAINT FK_8df07c14c84027e12d3266e5415 FOREIGN KEY IF NOT EXISTS (vehicleId) REFERENCES vehicle(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
  ],

  ['AddCurrencyToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS currency varchar(3) NULL`],
  ['AddTaxRateToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS taxRate double NULL`],
  [
    'FillPromiseOfOrderLine',
    `UPDATE order_line JOIN vehicle ON vehicle.id = order_line.vehicleId JOIN shop ON shop.id = vehicle.shopId
      SET order_line.currency = shop.currency, order_line.taxRate = shop.taxRate
      WHERE order_line.currency IS NULL AND order_line.state <> 'wanted'`,
  ],
  ['AddCurrencyToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS currency varchar(3) NOT NULL`],
  [
    'FillCurrencyOfRepair',
    `UPDATE repair JOIN vehicle ON vehicle.id = repair.vehicleId JOIN shop ON shop.id = vehicle.shopId
      SET repair.currency = shop.currency WHERE repair.currency = ''`,
  ],

  [
    'CreateInvitation',
    `CREATE TABLE IF NOT EXISTS invitation (
      id char(36) NOT NULL,
      shopId char(36) NOT NULL,
      tokenHash char(64) NOT NULL,
      name varchar(120) NOT NULL,
      role varchar(10) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      createdAt datetime(3) NOT NULL,
      expiresAt datetime(3) NOT NULL,
      PRIMARY KEY (id)) ENGINE=InnoDB`,
  ],
  ['IndexInvitationToken', `CREATE INDEX IF NOT EXISTS invitation_token ON invitation (tokenHash)`],
  [
    'BindInvitation',
    `ALTER TABLE invitation ADD CONSTRAINT FK_c529de4478deb4697cf43892e39 FOREIGN KEY IF NOT EXISTS (shopId) REFERENCES shop(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
  ],
  [
    'CreateGuest',
    `CREATE TABLE IF NOT EXISTS guest (
      vehicleId char(36) NOT NULL,
      personId char(36) NOT NULL,
      PRIMARY KEY (vehicleId, personId)) ENGINE=InnoDB`,
  ],
  [
    'BindGuestVehicle',
    `ALTER TABLE guest ADD CONSTRAINT FK_3fcf6a14a351adca5d947fb2af7 FOREIGN KEY IF NOT EXISTS (vehicleId) REFERENCES vehicle(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
  ],
  [
    'BindGuestPerson',
    `ALTER TABLE guest ADD CONSTRAINT FK_8775ef1353706d89b9094471ce7 FOREIGN KEY IF NOT EXISTS (personId) REFERENCES person(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
  ],
  [
    'CreateAudit',
    `CREATE TABLE IF NOT EXISTS audit (
      id char(36) NOT NULL,
      shopId char(36) NOT NULL,
      at datetime(3) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      text varchar(500) NOT NULL,
      address varchar(60) NOT NULL,
      PRIMARY KEY (id)) ENGINE=InnoDB`,
  ],
  ['IndexAuditTime', `CREATE INDEX IF NOT EXISTS audit_time ON audit (shopId, at)`],
  [
    'BindAudit',
    `ALTER TABLE audit ADD CONSTRAINT FK_67d8fa2643a416d53c7183c2327 FOREIGN KEY IF NOT EXISTS (shopId) REFERENCES shop(id) ON DELETE CASCADE ON UPDATE NO ACTION`,
  ],
  [
    'CreateGaugeHold',
    `CREATE TABLE IF NOT EXISTS gauge_hold (
      gaugeId varchar(60) NOT NULL,
      holder char(36) NOT NULL,
      personId char(36) NOT NULL,
      shopId char(36) NOT NULL,
      name varchar(120) NOT NULL,
      until datetime(3) NOT NULL,
      PRIMARY KEY (gaugeId)) ENGINE=InnoDB`,
  ],

  // Of libraries: the counts of the throttle, and whose a session is.
  [
    'CreateThrottle',
    `CREATE TABLE IF NOT EXISTS throttle (
      \`key\` varchar(255) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
      points int NOT NULL DEFAULT 0,
      expire bigint unsigned NULL,
      PRIMARY KEY (\`key\`)) ENGINE=InnoDB`,
  ],
  [
    'AddPersonToSession',
    `ALTER TABLE session ADD COLUMN IF NOT EXISTS personId char(36) AS (JSON_VALUE(data, '$.personId')) PERSISTENT`,
  ],
  ['IndexSessionPerson', `CREATE INDEX IF NOT EXISTS session_person ON session (personId)`],
]);
