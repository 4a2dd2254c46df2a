import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';
import { mailServer } from './mailServer.ts';

const taken: { from: string; to: string[]; text: string }[] = [];
const server = new SMTPServer({
  disabledCommands: ['STARTTLS'],
  authOptional: false,
  onAuth: ({ username, password }, _session, done) =>
    username === 'house' && password === 'heron' ? done(null, { user: username }) : done(new Error('not known')),
  onRcptTo: ({ address }, _session, done) => (address.startsWith('nobody@') ? done(new Error('no such box')) : done()),
  onData(stream, { envelope: { mailFrom, rcptTo } }, done) {
    let text = '';
    stream.on('data', (part: Buffer) => (text += part.toString()));
    stream.on('end', () => {
      taken.push({ from: mailFrom ? mailFrom.address : '', to: rcptTo.map(({ address }) => address), text });
      done();
    });
  },
});

beforeAll(() => new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve())));
afterAll(() => new Promise<void>((resolve) => server.close(() => resolve())));

const sender = (user = 'house:heron@') =>
  mailServer({
    INKWELL_SMTP: `smtp://${user}127.0.0.1:${(server.server.address() as AddressInfo).port}`,
    INKWELL_MAIL_FROM: 'Larkmoor <check@larkmoor.example>',
  })!;

test('a message is given to a real SMTP server, with whom it is from, its words in UTF-8, and an id that stays', async () => {
  await sender()({
    id: 7,
    address: 'odile@larkmoor.example',
    subject: 'Zwölf Dinge',
    body: 'Hello Odile,\n\nhttps://check.larkmoor.example/docket\n',
  });
  expect(taken[0]).toMatchObject({ from: 'check@larkmoor.example', to: ['odile@larkmoor.example'] });
  expect(taken[0]!.text).toMatch(/^Message-ID: <message-7@larkmoor\.example>\r$/m);
  expect(taken[0]!.text).toMatch(/^Subject: =\?UTF-8\?/m);
  expect(taken[0]!.text).toContain('https://check.larkmoor.example/docket');
});

test('nothing in a subject or an address begins another header or another recipient', async () => {
  await sender()({ id: 8, address: 'odile@larkmoor.example', subject: 'A\r\nBcc: all@larkmoor.example', body: 'x' });
  expect(taken[1]!.to).toEqual(['odile@larkmoor.example']);
  expect(taken[1]!.text).not.toMatch(/^Bcc:/m);
});

test('what the server does not take is an error that says so', async () => {
  const message = { id: 9, address: 'nobody@larkmoor.example', subject: 'A', body: 'x' };
  await expect(sender()(message)).rejects.toThrow('no such box');
  await expect(sender('house:wrong@')({ ...message, address: 'a@larkmoor.example' })).rejects.toThrow('not known');
});

test('without an address there is no mail server; an address without whom it is from is told at the start', () => {
  expect(mailServer({})).toBeNull();
  expect(() => mailServer({ INKWELL_SMTP: 'smtp://127.0.0.1' })).toThrow('INKWELL_MAIL_FROM');
});
