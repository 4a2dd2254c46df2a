import 'server-only';
import { genericOAuth } from 'better-auth/plugins';
import { letSignOn } from '@inkwell/store';
import { database } from './database';

/** The house's own sign-on (OpenID Connect): where it is, and what it is called; null where none is set. */
export function signOn(): { issuer: string; name: string } | null {
  const issuer = process.env.INKWELL_SIGN_ON;
  return issuer ? { issuer: issuer.replace(/\/+$/, ''), name: process.env.INKWELL_SIGN_ON_NAME ?? 'the house’s own sign-on' } : null;
}

/** What the house's own sign-on is known by in the addresses it leads back to. */
export const SIGN_ON = 'house';

/** Only whoever was put in here may come by it: an address that nobody has here is turned away. */
export function signOnPlugins() {
  const own = signOn();
  if (!own) return [];
  return [
    genericOAuth({
      config: [
        {
          providerId: SIGN_ON,
          name: own.name,
          discoveryUrl: `${own.issuer}/.well-known/openid-configuration`,
          requireIdTokenVerification: true,
          clientId: process.env.INKWELL_SIGN_ON_CLIENT ?? 'inkwell-check',
          ...(process.env.INKWELL_SIGN_ON_SECRET ? { clientSecret: process.env.INKWELL_SIGN_ON_SECRET } : {}),
          scopes: ['openid', 'email', 'profile'],
          disableSignUp: true,
          mapProfileToUser: async ({ email, email_verified: said }) => {
            const isTheirs = said !== false && said !== 'false';
            if (email && isTheirs) await letSignOn(await database(), email.toLowerCase());
            // The house's own service is taken at its word, unless it says itself that it does not know.
            return { emailVerified: isTheirs };
          },
        },
      ],
    }),
  ];
}
