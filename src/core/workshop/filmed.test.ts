import { describe, expect, test } from '@jest/globals';
import { seenOn, standAfter, type Film } from '@/core/laid/film';
import { cellsOf } from '@/core/scheme/cells';
import { schemeOn } from '@/core/markings/placing';
import { ruledColours } from '@/core/derive/colour-rulings';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { briefFileSchema, stateOfFile } from '@/core/interchange/brief-file';
import { anyBrief } from '@tests/support/any-brief';
import fc from 'fast-check';
import { NOW, viewOfDemo, workedUntil } from '@tests/support/demo-brief';
import { filmOf } from './filmed';

/** The build of a brief as a film. */

const { view, shelf } = viewOfDemo();
const film = filmOf(view, shelf);
const workedOn = (until: string, change: (view: BriefView) => Partial<BriefView['state']> = () => ({})) => {
  const state = workedUntil(view.state, view, until);
  return deriveBrief({ ...state, ...change(view) }, shelf, { nowUtc: NOW, effort: 0 });
};
/** Every piece of the skin that is ruled, with its colour. */
const patches = (of: BriefView) => {
  const ruled = ruledColours(of.questions, of.book);
  return cellsOf(of.outline, () => null, schemeOn(of.outline, of.state.fields, [])).flatMap(
    ({ zone, code, glass, share }) => {
      const own = code ?? ruled.get(zone);
      // Of what hardly reaches a zone no work comes.
      const isWorn = own && of.calls.some((call) => call.code === own && call.zones.includes(zone));
      return own && isWorn && !glass && share === 1 ? [{ zone, code, own, marking: null, glass: false }] : [];
    },
  );
};
const top = (of: Film, count: number, patch: ReturnType<typeof patches>[number]) =>
  seenOn(patch, of, standAfter(of, count))!.coats.findLast(({ code }) => code !== null)?.code ?? null;
const at = (of: Film, step: string) => of.frames.findIndex((frame) => frame.step === step);

describe('the film of the demo', () => {
  test('it begins with bare plastic and ends with every colour that is ruled, on its own pieces', () => {
    for (const patch of patches(view)) {
      expect(seenOn(patch, film, standAfter(film, 0))!.coats).toEqual([]);
      expect([patch.zone, patch.own, top(film, film.frames.length, patch)]).toEqual([patch.zone, patch.own, patch.own]);
    }
  });

  test('no tape is left at the end, and none lies anywhere before the first is put on', () => {
    const first = film.frames.findIndex(({ tape }) => tape?.goes === 'on');
    expect(standAfter(film, first).tapes).toEqual([]);
    expect(standAfter(film, first + 1).tapes).toHaveLength(1);
    expect(standAfter(film, film.frames.length).tapes).toEqual([]);
  });

  test('while a colour is sprayed what it meets at hard edges is under tape, and it is not', () => {
    const masks = view.route.steps.filter(({ masking }) => masking !== null && masking.edges.length > 0);
    expect(masks.length).toBeGreaterThan(0);
    for (const { tape, masking } of masks) {
      const stand = standAfter(film, at(film, tape!.of));
      for (const { meets } of masking!.edges) {
        const patch = patches(view).find(({ zone, own }) => zone === meets.zone && own === meets.code);
        if (patch) expect([meets, seenOn(patch, film, stand)!.isTaped]).toEqual([meets, true]);
      }
      const { code, zones } = view.route.steps.find(({ key }) => key === tape!.of)!;
      for (const patch of patches(view).filter(({ zone, own }) => own === code && zones.includes(zone)))
        if (!masking!.edges.some(({ meets }) => meets.zone === patch.zone && meets.code === code))
          expect([patch.zone, seenOn(patch, film, stand)!.isTaped]).toEqual([patch.zone, false]);
    }
  });

  test('it goes on in the order of the plan, each step once', () => {
    const days = film.frames.map(({ on }) => on!);
    expect([...days].sort()).toEqual(days);
    expect(film.frames.map(({ step }) => step).sort()).toEqual(view.route.steps.map(({ key }) => key).sort());
  });

  test('a marking is there once its own work is done', () => {
    const [{ id, name, zone, codes }] = view.state.markings as [(typeof view.state.markings)[number]];
    const last = film.frames.findLastIndex(({ coats }) =>
      coats.some(({ marking }) => marking === id || marking === name),
    );
    expect(last).toBeGreaterThan(0);
    const patch = { zone, code: codes[0]!, marking: id, glass: false };
    expect([last, last + 1].map((count) => seenOn(patch, film, standAfter(film, count))?.coats[0]?.code)).toEqual([
      undefined,
      codes[0],
    ]);
  });

  test('where gloss is sprayed for decals all of the outside is glossy, and matt or as ruled at the end', () => {
    const [patch] = patches(view).filter(({ zone }) => zone === 'wing-upper-outer-port');
    const sheen = (count: number) => seenOn(patch!, film, standAfter(film, count))!.sheen;
    expect(sheen(at(film, 'gloss') + 1)).toBe('gloss');
    expect(sheen(film.frames.length)).toBe('matt');
  });
});

test('any brief ends with what is ruled, bare of tape, each of its steps once', () => {
  fc.assert(
    fc.property(anyBrief, (file) => {
      const state = stateOfFile(briefFileSchema.parse({ ...file, log: [], mishaps: [] }), shelf);
      const any = deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 });
      const made = filmOf(any, shelf);
      const stand = standAfter(made, made.frames.length);
      expect(stand.tapes.map(({ of }) => of)).toEqual([]);
      expect(made.frames.map(({ step }) => step).sort()).toEqual(any.route.steps.map(({ key }) => key).sort());
      const lays = new Set(
        any.route.steps.flatMap(({ zones, lays: layers }) =>
          layers.flatMap(({ what, code }) => (what === 'colour' ? zones.map((zone) => `${zone} ${code}`) : [])),
        ),
      );
      // A winter coat lies over all that is under it.
      const hidden = new Set(any.route.steps.flatMap(({ family, zones }) => (family === 'temporary' ? zones : [])));
      for (const patch of patches(any))
        if (lays.has(`${patch.zone} ${patch.own}`) && !hidden.has(patch.zone))
          expect([patch.zone, patch.code, top(made, made.frames.length, patch)]).toEqual([
            patch.zone,
            patch.code,
            patch.own,
          ]);
    }),
    { numRuns: 20, seed: 29, endOnFailure: true },
  );
});

describe('what was done', () => {
  const worked = workedOn('spray:TCS 27');
  const before = filmOf(worked, shelf);

  test('comes first, in the order in which it ended, and a decision moves nothing of it', () => {
    const done = before.frames.filter(({ isDone }) => isDone);
    expect(done).toHaveLength(worked.state.log.length);
    expect(before.frames.slice(0, done.length)).toEqual(done);
    const turned = workedOn('spray:TCS 27', ({ state }) => ({
      rulings: state.rulings.map((ruling) => (ruling.value === 'TCS 21' ? { ...ruling, value: 'TCS 27' } : ruling)),
      markings: [],
      fields: [],
    }));
    const facts = (frames: Film['frames']) =>
      frames
        .filter(({ isDone }) => isDone)
        .map(({ step, on, coats }) => ({
          step,
          on,
          laid: coats.map(({ what, code, zones }) => [what, code, [...zones].sort()]),
        }));
    expect(facts(filmOf(turned, shelf).frames)).toEqual(facts(before.frames));
  });

  test('a zone that is ruled anew shows the coat that lies there until the new one is sprayed', () => {
    const turned = workedOn('spray:TCS 27', ({ state }) => ({
      rulings: state.rulings.map((ruling) => (ruling.value === 'TCS 27' ? { ...ruling, value: 'TCS 21' } : ruling)),
      fields: [],
    }));
    const now = filmOf(turned, shelf);
    const done = now.frames.filter(({ isDone }) => isDone).length;
    const changed = patches(turned).filter(({ zone }) =>
      turned.standing.laid.get(zone)?.some(({ code }) => code === 'TCS 27'),
    );
    expect(changed.length).toBeGreaterThan(0);
    for (const patch of changed) {
      expect([patch.zone, top(now, done, patch)]).toEqual([patch.zone, 'TCS 27']);
      expect([patch.zone, top(now, now.frames.length, patch)]).toEqual([patch.zone, patch.own]);
    }
  });
});
