import type { Attack } from '../testing/attacks.ts';

export const attacks: readonly Attack[] = [
  {
    name: 'a shared record',
    method: 'post',
    path: ({ vehicle }) => `/vehicles/${vehicle}/shares`,
    body: () => ({ label: 'The tester', days: 14 }),
  },
];
