import { hash, verify } from '@node-rs/argon2';
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { nextCookies } from 'better-auth/next-js';
import * as schema from '../db/schema/accounts';
import { database } from '../db/database';
import { settings } from '../settings';

const MIN_PASSWORD = 10;

function create() {
  const { secret, appUrl } = settings();
  return betterAuth({
    appName: 'Ibidem',
    baseURL: appUrl,
    secret,
    trustedOrigins: [appUrl],
    telemetry: { enabled: false },
    database: drizzleAdapter(database().orm, { provider: 'pg', schema }),
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: MIN_PASSWORD,
      password: {
        hash: (password) => hash(password),
        verify: ({ hash: kept, password }) => verify(kept, password),
      },
    },
    user: { additionalFields: { role: { type: 'string', input: false, defaultValue: 'viewer' } } },
    plugins: [nextCookies()],
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: 100,
      customRules: { '/sign-in/email': { window: 60, max: 20 } },
    },
  });
}

let made: ReturnType<typeof create> | undefined;

/** Sign-in for this process, made when first asked, so that a build needs no database. */
export function auth(): ReturnType<typeof create> {
  made ??= create();
  return made;
}
