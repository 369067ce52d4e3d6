'use server';

import Joi from 'joi';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import type { Problem } from '@/core/problem';
import { auth } from '@/server/accounts/auth';
import { countTry, forgetTry } from '@/server/accounts/guessing';
import { database, databaseProblem } from '@/server/db/database';
import { ProblemError } from '@/server/problem-error';

const FORM = Joi.object<{ email: string; password: string }>({
  email: Joi.string().trim().email({ tlds: false }).required(),
  password: Joi.string().min(1).max(200).required(),
});

const REFUSED: Problem = {
  code: 'SIGN_IN_REFUSED',
  what: 'You are not signed in.',
  why: 'The mail address or the password is not right.',
  remedy: 'Check both and try again.',
};

/** Signs a person in; gives the problem where that fails. */
export async function signIn(_before: Problem | null, form: FormData): Promise<Problem | null> {
  const { value, error } = FORM.validate({ email: form.get('email'), password: form.get('password') });
  if (error) return { ...REFUSED, why: 'Both a mail address and a password are needed.' };
  const given = await headers();
  // The server in front writes the caller last; what stands before that, or without one in front, anybody may have
  // written: then only the limit by account holds.
  const address = given.get('x-forwarded-for')?.split(',').at(-1)?.trim() ?? 'unknown';
  try {
    await countTry(database(), value.email, address);
    await auth().api.signInEmail({ body: value, headers: given });
    await forgetTry(database(), value.email, address);
  } catch (cause) {
    const known = databaseProblem(cause);
    return known instanceof ProblemError ? known.problem : REFUSED;
  }
  redirect('/');
}

/** Signs the person out. */
export async function signOut(): Promise<void> {
  await auth().api.signOut({ headers: await headers() });
  redirect('/sign-in');
}
