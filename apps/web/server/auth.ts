import 'server-only';
import { betterAuth } from 'better-auth';
import { twoFactor } from 'better-auth/plugins';
import { personById } from '@inkwell/store';
import { database } from './database';
import { once } from './once';
import { signOnPlugins } from './signOn';

/** For how long somebody stays signed in in a browser, in seconds. */
const STAYS = 14 * 86_400;

/** Signing in: sessions and passwords in tables of our own. Made at the first use, for a build has no secret. */
export function auth(): Promise<Auth> {
  return once('auth', make);
}

type Auth = Awaited<ReturnType<typeof make>>;

async function make() {
  const secret = process.env.INKWELL_SECRET;
  if (!secret || secret.length < 32)
    throw new Error('INKWELL_SECRET is not set, or shorter than 32 characters: bin/demo and bin/start make one and keep it.');
  const address = ownAddress();
  return betterAuth({
    database: { db: await database(), type: 'postgres' },
    secret,
    baseURL: address,
    telemetry: { enabled: false },
    // Tries are counted by account and by address before any of this is asked (review/people/signIn).
    rateLimit: { enabled: false },
    emailAndPassword: { enabled: true, disableSignUp: true },
    user: { modelName: 'logins', fields: { emailVerified: 'email_verified', createdAt: 'created_at', updatedAt: 'updated_at' } },
    session: {
      modelName: 'sessions',
      expiresIn: STAYS,
      // Screens are read where no cookie can be written: a session lasts its two weeks, and then one signs in again.
      disableSessionRefresh: true,
      fields: {
        userId: 'login_id',
        expiresAt: 'expires_at',
        createdAt: 'created_at',
        updatedAt: 'updated_at',
        ipAddress: 'ip_address',
        userAgent: 'user_agent',
      },
    },
    account: {
      modelName: 'accounts',
      fields: {
        userId: 'login_id',
        accountId: 'account_id',
        providerId: 'provider_id',
        accessToken: 'access_token',
        refreshToken: 'refresh_token',
        idToken: 'id_token',
        accessTokenExpiresAt: 'access_token_expires_at',
        refreshTokenExpiresAt: 'refresh_token_expires_at',
        createdAt: 'created_at',
        updatedAt: 'updated_at',
      },
    },
    verification: {
      modelName: 'verifications',
      fields: { expiresAt: 'expires_at', createdAt: 'created_at', updatedAt: 'updated_at' },
    },
    databaseHooks: {
      // Whichever way they come: whoever has left is not let in.
      session: { create: { before: async ({ userId }) => ((await mayComeIn(userId)) ? undefined : false) } },
    },
    plugins: [
      twoFactor({
        issuer: 'Inkwell Check',
        schema: {
          user: { fields: { twoFactorEnabled: 'has_second_factor' } },
          twoFactor: {
            modelName: 'second_factors',
            fields: {
              userId: 'login_id',
              backupCodes: 'recovery_codes',
              failedVerificationCount: 'failed_count',
              lockedUntil: 'locked_until',
            },
          },
        },
      }),
      ...signOnPlugins(),
    ],
    advanced: { cookiePrefix: 'inkwell', useSecureCookies: address.startsWith('https:') },
  });
}

async function mayComeIn(id: string): Promise<boolean> {
  const person = await personById(await database(), id);
  return person !== undefined && !person.disabled;
}

/** Where this server is reached: never what a request says of itself, for links that are sent must not lead elsewhere. */
export function ownAddress(): string {
  return (process.env.INKWELL_ADDRESS ?? `http://127.0.0.1:${process.env.PORT ?? '3000'}`).replace(/\/+$/, '');
}

/** Whether this is the demo, whose people are let in with one press. */
export const isDemo = () => demoPassword() !== '';

/** The password of every person of the demo; '' where this is none. */
export const demoPassword = () => process.env.INKWELL_DEMO ?? '';
