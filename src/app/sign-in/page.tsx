import { settings } from '@/server/settings';
import { database } from '@/server/db/database';
import { SignInForm } from './sign-in-form';

export const metadata = { title: 'Sign in' };

export default async function SignInPage() {
  const { isDemo } = settings();
  const offered = isDemo ? await demoPeople() : [];
  return (
    <main className="mx-auto mt-16 max-w-md border border-line bg-sheet p-8">
      <h1 className="font-serif text-[28px] leading-9 font-semibold italic">Ibidem</h1>
      <p className="mt-1 text-ink-2">Where each picture stands, and what stands in its place.</p>
      <SignInForm offered={offered} password={process.env['IBIDEM_DEMO_PASSWORD'] ?? ''} />
    </main>
  );
}

async function demoPeople() {
  const { rows } = await database().pool.query<{ name: string; email: string; role: string }>(
    `select name, email, role from "user" where email like '%@ferndrake.example' order by created_at`,
  );
  return rows;
}
