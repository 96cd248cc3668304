import { WAY_FACTS } from '@/core/kit/applying';
import { isGrave, layOver } from '@/core/paint/chemistry';
import { dryingTime, type Climate } from '@/core/paint/drying';
import { skinEdges, zoneBorders } from '@/core/scheme/skin-edges';
import { listed } from '@/core/units/words';
import { howMasked, maskingFor, paperFor, workOfMask, type Masking } from '@/core/work/masking';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import { MOST_TAPE } from '@/core/work/tape';
import type { RouteCall } from './call';
import { chemistryOf } from './call-coat';
import type { RouteInput } from './route-input';
import { overAnother, TAPE } from './rules/cautions';
import { coatLaid, laidBy } from './spray-run';

/** What each colour meets on the model, as far as it has to be masked. */
export function maskingsOf(ordered: readonly RouteCall[], input: RouteInput): Map<string, Masking> {
  const { outline, soft = [], hides = darkerOver(ordered), laid = {}, denominator } = input;
  const colours = new Map(ordered.flatMap(({ code, zones }) => zones.map((zone) => [zone, code] as const)));
  const edges =
    input.edges ?? skinEdges(zoneBorders(outline), (zone) => colours.get(zone) ?? null, [], new Set(soft), denominator);
  const pairs = new Set(hides.map(([later, earlier]) => `${later}|${earlier}`));
  const before = new Set<string>();
  return new Map(
    ordered.map(({ code, zones, way = 'airbrush' }) => {
      const own = new Set(zones);
      const masking = maskingFor(code, own, {
        // On a model that is bare there is nothing to keep paint from.
        paperCm2: before.size > 0 || Object.keys(laid).length > 0 ? paperFor(way, own, outline, denominator) : 0,
        edges,
        before,
        laid,
        hides: (later, earlier) => pairs.has(`${later}|${earlier}`),
      });
      before.add(code);
      return [code, masking];
    }),
  );
}

/** Where nobody reckoned it, dark hides light. */
const darkerOver = (calls: readonly RouteCall[]): [later: string, earlier: string][] =>
  calls.flatMap((later) =>
    calls.flatMap((earlier): [string, string][] =>
      (later.lab?.[0] ?? 50) < (earlier.lab?.[0] ?? 50) ? [[later.code, earlier.code]] : [],
    ),
  );

/** The mask of a colour; null where nothing of what it meets has to be masked. */
export function maskStep(
  spray: RouteStep,
  call: RouteCall,
  masking: Masking,
  nameOf: (code: string) => string,
  metals: ReadonlySet<string>,
): RouteStep | null {
  const way = WAY_FACTS[call.way ?? 'airbrush'].masking;
  const name = call.name || call.code;
  if (way === 'none' || (masking.edges.length === 0 && masking.paperCm2 === 0)) return null;
  const onMetal = masking.edges.some(({ meets }) => metals.has(meets.code));
  const off = listed(masking.against.map(nameOf));
  const title =
    masking.paperCm2 > 0
      ? `Mask everything that is not to be ${name}`
      : off
        ? `Mask ${off} off for ${name}`
        : `Set soft masks for ${name}`;
  return stepOf(`mask:${call.code}`, title, 'mask', 'Whole', masking.minutes, {
    family: 'mask',
    stage: 'colours',
    tape: { of: spray.key, goes: 'on' },
    masking,
    zones: call.zones,
    splittable: true,
    cautions: [TAPE],
    minutesFrom: minutesSaid(workOfMask(masking)),
    why: [
      'the line drawn lightly first',
      ...(onMetal ? ['over metal tape of low tack, pressed on a cloth first'] : []),
      ...howMasked(masking, call.way),
    ].join('; '),
  });
}

/** Tape off behind the last coat that was sprayed over it. */
export function unmaskAfter(
  last: RouteStep,
  mask: RouteStep,
  edgeMm: number,
  key: string,
  what: string,
  climate: Climate,
) {
  const work: Work = { kind: 'unmask', edgeMm };
  const coat = coatLaid(last);
  const { zones, family, stage, marking, tape } = mask;
  const step = stepOf(key, `Unmask ${what}, look along its edges`, 'unmask', last.lane, minutesOf(work), {
    minutesFrom: minutesSaid(work),
    family,
    stage,
    marking,
    tape: tape && { ...tape, goes: 'off' },
    zones,
    why: 'while the paint still gives: tape drawn back flat over itself',
  });
  const link: RouteLink = {
    from: last.key,
    to: key,
    minLag: Math.min(dryingTime(coat, 'touch', climate), MOST_TAPE[coat.chemistry]),
    maxLag: MOST_TAPE[coat.chemistry],
    why: 'tape comes off while the paint still gives',
  };
  return { step, link };
}

/** Where a colour is sprayed over the edge of another that does not bear it, it waits for that, and says so. */
export function overWhatItMeets(
  spray: RouteStep,
  call: RouteCall,
  before: readonly RouteCall[],
  { edges }: Masking,
  links: RouteLink[],
  climate: Climate,
): void {
  const met = new Set(edges.map(({ meets }) => meets.code));
  for (const under of before.filter(({ code }) => met.has(code))) {
    const rule = layOver(chemistryOf(call), chemistryOf(under));
    if (rule.verdict === 'ok') continue;
    links.push({
      from: `spray:${under.code}`,
      to: spray.key,
      minLag: dryingTime(laidBy(under), 'cure', climate),
      maxLag: null,
      why: rule.says,
    });
    if (isGrave(rule.verdict)) spray.cautions = [...spray.cautions, overAnother(under.name || under.code, rule.says)];
  }
}
