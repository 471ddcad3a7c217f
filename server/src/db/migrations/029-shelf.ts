import { steps } from '../step.ts';

/* What a shop has of what work uses up. */
export const shelf = steps(29, [
  [
    'CreateShelf',
    `CREATE TABLE IF NOT EXISTS shelf_item (
      id char(36) NOT NULL,
      shopId char(36) NOT NULL,
      kind varchar(12) NOT NULL,
      name varchar(80) NOT NULL,
      counted double NOT NULL,
      least double NOT NULL,
      useBy date NULL,
      since datetime(3) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      version int NOT NULL,
      CONSTRAINT FK_4b4bad20c2bb209231e1769c931 FOREIGN KEY (shopId) REFERENCES shop (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
