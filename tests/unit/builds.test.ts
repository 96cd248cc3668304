import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { briefFileSchema, stateOfFile, type BriefFile } from '@/core/interchange/brief-file';
import { longTapes } from '@/core/route/tape-time';
import { LONGEST_TAPE } from '@/core/work/tape';
import { anyBrief } from '@tests/support/any-brief';
import { NOW, shelfOfDemo } from '@tests/support/demo-brief';

/** What holds of every build, whatever its scale, its tools and its schools. */

const shelf = shelfOfDemo();
type Way = BriefFile['choices'][number]['way'];
interface Build {
  file: BriefFile;
  denominator: number;
  way: Way;
}

const BUILDS: Build[] = fc.sample(
  fc.record({
    file: anyBrief,
    denominator: fc.constantFrom(24, 32, 48, 72, 144, 700),
    way: fc.constantFrom<Way>('', 'airbrush', 'brush', 'spray can'),
  }),
  { seed: 20261201, numRuns: 12 },
);

const viewOf = ({ file, denominator, way }: Build): BriefView => {
  const own: BriefFile = {
    ...file,
    brief: { ...file.brief, denominator },
    choices: file.choices.map((choice) => ({ ...choice, way })),
    log: [],
    mishaps: [],
  };
  return deriveBrief(stateOfFile(briefFileSchema.parse(own), shelf), shelf, { nowUtc: NOW, effort: 0 });
};

describe.each(BUILDS.map((build, i) => [i, build.denominator, build.way || 'as suggested', build] as const))(
  'build %d at 1/%d, %s',
  (_, __, ___, build) => {
    const view = viewOf(build);

    test('has a finish date, whatever takes long', () => {
      expect(view.plan.because.map(({ says }) => says)).toEqual([]);
      expect(view.plan.finish).not.toBeNull();
    });

    test('calls each step by a name of its own', () => {
      const titles = view.route.steps.map(({ title }) => title);
      expect(titles.filter((title, i) => titles.indexOf(title) !== i)).toEqual([]);
      for (const title of titles) expect(title).not.toMatch(/\b(\w+) \1\b/);
    });

    test('takes minutes for all that it does, and says what they come from', () => {
      for (const { title, minutes, minutesFrom } of view.route.steps)
        expect([title, minutes > 0, minutesFrom.length > 0]).toEqual([title, true, true]);
    });

    test('sprays only with what there is', () => {
      if (build.way !== 'brush' && build.way !== 'spray can') return;
      expect(view.route.steps.filter(({ load }) => load !== null).map(({ title }) => title)).toEqual([]);
      if (build.way === 'brush')
        expect(view.route.steps.filter(({ kind }) => kind === 'spray').map(({ title }) => title)).toEqual([]);
    });

    test('names all tape that it leaves on for more than a week', () => {
      const named = new Set(longTapes(view.plan).map(({ step }) => step));
      const ends = new Map(
        view.plan.work.map(({ step, segments }) => [step.tape?.goes === 'off' ? step.tape.of : '', segments[0]![0]]),
      );
      for (const { key, step, segments } of view.plan.work) {
        const off = step.tape?.goes === 'on' && step.zones.length > 0 ? ends.get(step.tape.of) : undefined;
        if (off !== undefined && off - segments.at(-1)![1] > LONGEST_TAPE) expect(named).toContain(key);
      }
    });
  },
);
