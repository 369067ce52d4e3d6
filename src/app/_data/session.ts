import 'server-only';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { roleOf, type Actor } from '@/server/accounts/actor';
import { auth } from '@/server/accounts/auth';

/** Who is signed in, or `null`. Asked once a request. */
export const currentActor = cache(async (): Promise<Actor | null> => {
  const session = await auth().api.getSession({ headers: await headers() });
  if (!session) return null;
  const { id, name, role } = session.user;
  return { id, name, role: roleOf(role) };
});

/** Who is signed in; anybody else is sent to the sign-in page. */
export async function requireActor(): Promise<Actor> {
  return (await currentActor()) ?? redirect('/sign-in');
}
