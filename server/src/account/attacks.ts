import { randomUUID } from 'node:crypto';
import { PASSWORD } from '../testing/house.ts';
import type { Attack } from '../testing/attacks.ts';

const somebody = '00000000-0000-4000-8000-000000000000';

export const attacks: readonly Attack[] = [
  {
    name: 'a person',
    method: 'post',
    path: () => '/shop/people',
    body: () => ({ name: 'Wim', email: `${randomUUID()}@x.example`, password: PASSWORD, role: 'viewer' }),
  },
  {
    name: 'a role',
    method: 'put',
    path: () => `/shop/people/${somebody}/role`,
    body: () => ({ role: 'viewer' }),
  },
  {
    name: 'an invitation',
    method: 'post',
    path: () => '/shop/invitations',
    body: () => ({ name: 'Wim', role: 'worker' }),
  },
  {
    name: 'guests of a car',
    method: 'put',
    path: ({ vehicle }) => `/vehicles/${vehicle}/guests`,
    body: () => ({ personIds: [somebody] }),
  },
  {
    name: 'another password',
    method: 'put',
    path: () => '/account/password',
    body: () => ({ current: 'not the one that it is', password: 'another long enough one' }),
  },
];
