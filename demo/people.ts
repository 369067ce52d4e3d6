import type { Role } from '../src/core/edition/edition-state';

/** Who works on the demo site; all made up. They share one password, which the sign-in page of the demo offers. */
export const DEMO_PASSWORD = 'three red doors';

export const PEOPLE: readonly {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly says: string;
}[] = [
  {
    name: 'Maud Kestle',
    email: 'maud@ferndrake.example',
    role: 'maintainer',
    says: 'keeps the web site, an hour a week',
  },
  {
    name: 'Dorrin Oake',
    email: 'dorrin@ferndrake.example',
    role: 'owner',
    says: 'owns the pages of the choirs',
  },
  {
    name: 'Ilse Marrable',
    email: 'ilse@ferndrake.example',
    role: 'owner',
    says: 'owns the lessons in strings',
  },
  { name: 'Tamsin Ordway', email: 'tamsin@ferndrake.example', role: 'approver', says: 'head of the school' },
  { name: 'Pell Arden', email: 'pell@ferndrake.example', role: 'viewer', says: 'looks, and changes nothing' },
];
