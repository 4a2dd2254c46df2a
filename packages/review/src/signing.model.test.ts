import { PROFILES } from '@inkwell/core';
import fc from 'fast-check';
import { sql } from 'kysely';
import {
  bringPages,
  changePage,
  endException,
  letStand,
  newProfile,
  nameProfile,
  redo,
  rule,
  saveSource,
  setSigning,
  signOff,
  takeBackRuling,
  takePages,
  undo,
  type Actor,
  type Desk,
  type Result,
} from './index.ts';
import { INES, RUTH, SAM } from './testing/bench.ts';
import { ownBench } from './testing/ownDatabase.ts';

/** How many walks, of how many steps: CI takes few, `npm run check:model` as many as a night allows. */
const RUNS = Number(process.env.INKWELL_MODEL_RUNS ?? 12);
const STEPS = 30;
const SEED = Number(process.env.INKWELL_MODEL_SEED ?? 4310);

const { services, db, SLUG, at, page, look } = ownBench('model');

/** A page that is ready, one that is held, and one that asks; the held one is ready where its must is let stand. */
const TEXTS = {
  good: '<h2>Boxes</h2><p>A hive has a floor, boxes and a roof.</p>',
  bad: '<h2>Boxes</h2><p>A <img src="hive.png"></p>',
  ask: '<h2>Boxes</h2><p>The chart of combs is <a href="https://larkmoor.example/c">here</a>.</p>',
} as const;
type Text = keyof typeof TEXTS;

/** What a page must be, by what was done to it: as small as it can be said. */
interface Model {
  text: Text;
  excepted: boolean;
  ruledOut: boolean;
  /** Texts that undo goes back to, and redo on to. */
  before: Text[];
  after: Text[];
  signers: Set<string>;
  isSigned: boolean;
  wasSigned: boolean;
  isOut: boolean;
  needed: 1 | 2;
  revisions: number;
}

const verdictOf = ({ text, excepted, ruledOut }: Model) =>
  text === 'bad' && !excepted ? 'held' : text === 'ask' && !ruledOut ? 'judge' : 'ready';
const releaseOf = ({ isSigned, wasSigned }: Model) => (isSigned ? 'signed off' : wasSigned ? 'lapsed' : 'draft');

/** The real page. */
interface Real {
  slug: string;
  pageId: number;
}

type Act = (model: Model, real: Real) => Promise<void>;

/** What a signature rested on is another thing now. */
function ends(model: Model): void {
  model.isSigned = false;
  model.signers.clear();
}

function becomes(model: Model, text: Text): void {
  model.text = text;
  model.revisions++;
  ends(model);
}

async function seen(real: Real): Promise<Desk> {
  return look(real.slug);
}

const soon = new Date(Date.now() + 20 * 86_400_000).toISOString().slice(0, 10);
const noteOn = (view: Desk, text: Text) =>
  view.notes.find((note) => (text === 'bad' ? note.family === 'images' && note.weight === 'must' : note.outcome === 'cantTell'));

const expectOk = (result: Result<unknown>, is: boolean) => {
  if (result.ok !== is) throw new Error(`It was ${is ? 'refused' : 'done'}: ${JSON.stringify(result)}`);
};

const save =
  (text: Text): Act =>
  async (model, real) => {
    if (model.isOut) return;
    const changes = model.text !== text;
    const result = await saveSource(services, INES, { ...at(await seen(real)), html: TEXTS[text] });
    if (!changes) return;
    expectOk(result, true);
    model.before.push(model.text);
    model.after = [];
    becomes(model, text);
  };

const back: Act = async (model, real) => {
  if (model.isOut) return;
  const to = model.before.pop();
  expectOk(await undo(services, INES, at(await seen(real))), to !== undefined);
  if (to === undefined) return;
  model.after.push(model.text);
  becomes(model, to);
};

const on: Act = async (model, real) => {
  if (model.isOut) return;
  const to = model.after.pop();
  expectOk(await redo(services, INES, at(await seen(real))), to !== undefined);
  if (to === undefined) return;
  model.before.push(model.text);
  becomes(model, to);
};

const except: Act = async (model, real) => {
  if (model.isOut || model.text !== 'bad') return;
  const view = await seen(real);
  const finding = noteOn(view, 'bad')!;
  expectOk(
    await letStand(services, INES, { ...at(view), findingId: finding.id, reason: 'It is being redrawn.', until: soon }),
    !model.excepted,
  );
  if (!model.excepted) ends(model);
  model.excepted = true;
};

const end: Act = async (model, real) => {
  if (model.isOut || model.text !== 'bad') return;
  const view = await seen(real);
  expectOk(await endException(services, SAM, { ...at(view), findingId: noteOn(view, 'bad')!.id }), model.excepted);
  if (model.excepted) ends(model);
  model.excepted = false;
};

const answer: Act = async (model, real) => {
  if (model.isOut || model.text !== 'ask') return;
  const view = await seen(real);
  expectOk(await rule(services, INES, { ...at(view), findingId: noteOn(view, 'ask')!.id, answer: 'no problem' }), true);
  ends(model);
  model.ruledOut = true;
};

const takeBack: Act = async (model, real) => {
  if (model.isOut || model.text !== 'ask') return;
  const view = await seen(real);
  expectOk(await takeBackRuling(services, INES, { ...at(view), findingId: noteOn(view, 'ask')!.id }), model.ruledOut);
  if (model.ruledOut) ends(model);
  model.ruledOut = false;
};

const sign =
  (who: Actor): Act =>
  async (model, real) => {
    if (model.isOut) return;
    const may = verdictOf(model) === 'ready' && !model.isSigned;
    expectOk(await signOff(services, who, at(await seen(real))), may);
    if (!may) return;
    model.signers.add(who.id);
    if (model.signers.size < model.needed) return;
    model.isSigned = true;
    model.wasSigned = true;
  };

const need =
  (signatures: 1 | 2): Act =>
  async (model) => {
    expectOk(await setSigning(services, SAM, { signatures, fixerMaySign: true, looksNeeded: false }), true);
    model.needed = signatures;
  };

const out: Act = async (model, real) => {
  if (model.isOut) return;
  const before = await seen(real);
  expectOk(await takePages(services, SAM, { collection: SLUG, pages: [real.slug] }), true);
  model.isOut = true;
  expectOk(await signOff(services, RUTH, at(before)), false);
  expectOk(await saveSource(services, INES, { ...at(before), html: TEXTS.bad }), false);
};

const returns: Act = async (model, real) => {
  if (!model.isOut) return;
  expectOk(await bringPages(services, SAM, { collection: SLUG, pages: [real.slug] }), true);
  model.isOut = false;
};

/** Two people at the same moment: either order may be what happened, and nothing else; the model takes up where the page is. */
const together =
  (other: Text): Act =>
  async (model, real) => {
    if (model.isOut) return;
    const view = await seen(real);
    const [saved, signed] = await Promise.all([
      saveSource(services, INES, { ...at(view), html: TEXTS[other] }),
      signOff(services, RUTH, at(view)),
    ]);
    if (signed.ok) {
      model.signers.add(RUTH.id);
      if (model.signers.size >= model.needed) model.isSigned = model.wasSigned = true;
    }
    if (!saved.ok || other === model.text) return;
    model.before.push(model.text);
    model.after = [];
    becomes(model, other);
  };

const retitle: Act = async (model, real) => {
  if (model.isOut) return;
  const view = await seen(real);
  expectOk(await changePage(services, INES, { ...at(view), title: `${view.title}’` }), true);
  ends(model);
};

const ACTS: Readonly<Record<string, Act>> = {
  'save good': save('good'),
  'save bad': save('bad'),
  'save ask': save('ask'),
  undo: back,
  redo: on,
  except,
  'end exception': end,
  answer,
  'take answer back': takeBack,
  'Ruth signs': sign(RUTH),
  'Sam signs': sign(SAM),
  'one signature': need(1),
  'two signatures': need(2),
  'take out': out,
  'bring back': returns,
  'save bad while Ruth signs': together('bad'),
  'save good while Ruth signs': together('good'),
  retitle,
};

/** What no history of a page may break, whatever was done: asked of the database itself. */
async function unsound(pageId: number): Promise<unknown[]> {
  const { rows } = await sql`
    select 'sign-off of another text, or of a page that is not ready' as what from sign_offs o join pages p on p.id = o.page_id
      join page_status s on s.page_id = p.id where p.id = ${pageId} and o.lapsed_at is null and (o.revision <> p.head or s.verdict <> 'ready')
    union all select 'release and sign-off differ' from page_status s where s.page_id = ${pageId}
      and (s.release in ('signed off', 'published')) <> exists (select 1 from sign_offs o where o.page_id = s.page_id and o.lapsed_at is null)
    union all select 'revisions are not numbered one by one' from pages p where p.id = ${pageId}
      and (p.head <> (select count(*) from revisions r where r.page_id = p.id) or p.head <> (select max(number) from revisions r where r.page_id = p.id))
    union all select 'a finding without an audit that saw it' from findings f where f.page_id = ${pageId}
      and not exists (select 1 from occurrences o where o.finding_id = f.id)
    union all select 'two sign-offs in force' from sign_offs where page_id = ${pageId} and lapsed_at is null group by page_id having count(*) > 1`.execute(
    db(),
  );
  return rows;
}

async function agrees(model: Model, real: Real): Promise<void> {
  expect(await unsound(real.pageId)).toEqual([]);
  if (model.isOut) return;
  const view = await seen(real);
  expect({ html: view.html, verdict: view.verdict, release: view.release, revisions: view.revision.number }).toEqual({
    html: TEXTS[model.text],
    verdict: verdictOf(model),
    release: releaseOf(model),
    revisions: model.revisions,
  });
}

test('the page is what a small model of it says, whoever does what in whatever order', async () => {
  await newProfile(services, SAM, { name: 'Model', selection: { ...PROFILES['wcag22-aa']!, name: 'Model' } });
  await nameProfile(services, SAM, { profile: 'Model', collection: SLUG });
  const walk = fc.array(fc.constantFrom(...Object.keys(ACTS)), { minLength: 1, maxLength: STEPS, size: 'max' });
  await fc.assert(
    fc.asyncProperty(walk, async (steps) => {
      await need(1)({} as Model, {} as Real);
      const view = await page(TEXTS.good);
      const real: Real = { slug: view.slug, pageId: view.pageId };
      const model: Model = {
        text: 'good',
        excepted: false,
        ruledOut: false,
        before: [],
        after: [],
        signers: new Set(),
        isSigned: false,
        wasSigned: false,
        isOut: false,
        needed: 1,
        revisions: 1,
      };
      for (const step of steps) {
        await ACTS[step]!(model, real);
        await agrees(model, real);
      }
    }),
    { numRuns: RUNS, seed: SEED, endOnFailure: false },
  );
}, 3_600_000);
