import type { Server } from 'node:http';
import Provider from 'oidc-provider';

/** Where the server under test looks for the house's own sign-on (bin/test says so to both). */
export const SIGN_ON = process.env.INKWELL_SIGN_ON ?? 'http://127.0.0.1:4399';

/** A sign-on of the house's own: OpenID Connect as its specification has it; whoever types an address there is taken to have it. */
export async function signOnHouse(callback: string): Promise<Server> {
  const provider = new Provider(SIGN_ON, {
    clients: [
      {
        client_id: 'inkwell-check',
        client_secret: 'a secret of the tests',
        redirect_uris: [callback],
        grant_types: ['authorization_code'],
      },
    ],
    pkce: { required: () => true },
    claims: { openid: ['sub'], email: ['email', 'email_verified'], profile: ['name'] },
    conformIdTokenClaims: false,
    cookies: { keys: ['of the tests'] },
    // The box of its form takes a name: it is an address here, and an exclamation mark says that nobody has proved it.
    findAccount: (_ctx, id) => ({
      accountId: id,
      claims: () => ({ sub: `sub of ${id}`, email: id.replace('!', ''), email_verified: !id.includes('!'), name: 'As the sign-on has it' }),
    }),
  });
  const { port, hostname } = new URL(SIGN_ON);
  return new Promise((resolve) => {
    const server = provider.listen(Number(port), hostname, () => resolve(server));
  });
}
