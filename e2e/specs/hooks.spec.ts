import { execFileSync, spawnSync } from 'node:child_process';
import { chmodSync, copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '../support/test';
import { tokenFor } from '../support/token';

const ROOT = join(import.meta.dirname, '../..');
const page = (body: string) =>
  `<!DOCTYPE html>\n<html lang="en"><head><title>Wax</title></head><body><main><h1>Wax</h1>\n${body}\n</main></body></html>\n`;
const HELD = page('<p><img src="hive.png"></p>');
const FINE = page('<p>It melts at 62 degrees.</p>');

test('the hook of the documentation keeps a page that is held out of a commit, and looks at what is staged', async ({ baseURL }) => {
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-hook-'));
  const env = { ...process.env, GIT_CONFIG_GLOBAL: '/dev/null', GIT_AUTHOR_NAME: 'A', GIT_AUTHOR_EMAIL: 'a@larkmoor.example' };
  const git = (...args: string[]) =>
    spawnSync('git', args, {
      cwd: folder,
      encoding: 'utf8',
      env: { ...env, GIT_COMMITTER_NAME: 'A', GIT_COMMITTER_EMAIL: 'a@larkmoor.example' },
    });
  try {
    git('init', '-q');
    copyFileSync(join(ROOT, 'docs/hooks/pre-commit'), join(folder, '.git/hooks/pre-commit'));
    chmodSync(join(folder, '.git/hooks/pre-commit'), 0o755);
    writeFileSync(join(folder, '.git/token'), (await tokenFor(null, ['check'])).token, { mode: 0o600 });
    git('config', 'inkwell.server', baseURL!);
    git('config', 'inkwell.token-file', join(folder, '.git/token'));
    git('config', 'inkwell.command', join(ROOT, 'bin/inkwell'));
    writeFileSync(join(folder, 'wax page.html'), HELD);
    git('add', '.');
    // Mended on disk, and not staged: what would be committed is what counts.
    writeFileSync(join(folder, 'wax page.html'), FINE);
    const kept = git('commit', '-m', 'Wax');
    expect([kept.status, kept.stdout + kept.stderr]).toEqual([1, expect.stringContaining('no alternative text')]);
    git('add', '.');
    const went = git('commit', '-m', 'Wax');
    expect([went.status, went.stderr]).toEqual([0, expect.any(String)]);
    writeFileSync(join(folder, 'notes.txt'), 'no page');
    git('add', '.');
    expect(git('commit', '-m', 'Notes').status).toBe(0);
  } finally {
    rmSync(folder, { recursive: true });
  }
});

test('the job of the documentation leaves SARIF and a line for each finding, and ends as the check did', async ({ baseURL }) => {
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-job-'));
  const { token } = await tokenFor(null, ['check']);
  const run = () =>
    spawnSync(join(ROOT, 'docs/hooks/annotate'), ['site', baseURL!, 'report.sarif'], {
      ...{ cwd: folder, encoding: 'utf8' as const },
      env: { ...process.env, INKWELL_TOKEN: token, INKWELL_COMMAND: join(ROOT, 'bin/inkwell') },
    });
  try {
    execFileSync('mkdir', [join(folder, 'site')]);
    writeFileSync(join(folder, 'site/wax.html'), HELD);
    const held = run();
    expect([held.status, held.stdout]).toEqual([
      1,
      expect.stringMatching(/wax\.html:3:\d+: error: .*alternative text.* \(images\/no-alternative\)/),
    ]);
    expect(JSON.parse(readFileSync(join(folder, 'report.sarif'), 'utf8'))).toMatchObject({ version: '2.1.0' });
    writeFileSync(join(folder, 'site/wax.html'), FINE);
    expect(run().status).toBe(0);
    expect(existsSync(join(folder, 'report.sarif'))).toBe(true);
  } finally {
    rmSync(folder, { recursive: true });
  }
});
