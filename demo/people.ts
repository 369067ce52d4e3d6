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

/** Sections of the school's site with the owner of each: pattern, name, mail address. */
export const SECTIONS: readonly (readonly [string, string, string])[] = [
  ['choirs', 'Choirs', 'dorrin@ferndrake.example'],
  ['concerts', 'Concerts', 'dorrin@ferndrake.example'],
  ['lessons', 'Lessons', 'ilse@ferndrake.example'],
  ['tutors', 'Tutors', 'ilse@ferndrake.example'],
  ['news/201*', 'News before 2020', 'maud@ferndrake.example'],
];
