import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { AuditEntity, GuestEntity, InvitationEntity } from './entities.ts';
import { ownAccountRoutes, peopleRoutes } from './routes.ts';
import { AccountService } from './service.ts';

/** Who may do what, and where he is signed in. */
export const account: Station = {
  name: 'account',
  entities: [InvitationEntity, GuestEntity, AuditEntity],
  serve: (house) => [new AccountService(house.db, house.the(GarageService))],
  addresses: (house) => {
    const accounts = house.the(AccountService);
    return [
      { at: '/account', router: ownAccountRoutes(accounts), open: ['/account'] },
      { router: peopleRoutes(accounts) },
    ];
  },
};
