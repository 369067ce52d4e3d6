import { hash } from '@node-rs/argon2';
import { randomUUID } from 'node:crypto';
import type { Role } from '@/core/edition/edition-state';
import type { Database } from '../db/database';
import { account, user } from '../db/schema/accounts';

/** Adds a person who signs in by mail address and password; one who is there keeps the password and gets the role. */
export async function addPerson(
  { orm }: Database,
  person: { readonly name: string; readonly email: string; readonly role: Role; readonly password: string },
): Promise<void> {
  const id = randomUUID();
  const { name, email, role } = person;
  const [kept] = await orm
    .insert(user)
    .values({ id, name, email, role, emailVerified: true })
    .onConflictDoUpdate({ target: user.email, set: { name, role } })
    .returning({ id: user.id });
  if (kept?.id !== id) return;
  await orm.insert(account).values({
    id: randomUUID(),
    accountId: id,
    providerId: 'credential',
    userId: id,
    password: await hash(person.password),
  });
}
