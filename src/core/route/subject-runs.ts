import { BASE_LAYER_WORK, SUBJECTS, subjectZone, type BaseLayer, type SubjectKind } from '@/core/kit/subjects';
import { dryingFactor, type Climate } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import { counted } from '@/core/units/words';
import { ASSUMED_CHEMISTRY, loadOf } from './call-coat';
import { BLADE, CA, SPRAY } from './rules/cautions';
import { GENERAL_COATS, type After } from './rules/rule';
import { layerOfCoat } from '@/core/work/layer';
import { stepOf } from '@/core/work/step';
import type { RouteCall } from './call';
import type { Addition } from './insert';

/** What is modelled beside the main airframe, as far as its work goes. */
export interface RouteSubject {
  kind: SubjectKind;
  /** By which its zones and steps are known. */
  name: string;
  title: string;
  count: number;
  place: string;
  byGate: 'fuselage' | 'end';
  layers: readonly BaseLayer[];
}

const DAY = 24 * 60;

/**
 * The work of each subject: built, primed, painted in one spraying for all of them (the minutes of one times their count), and set in place.
 * A base is built up in layers, each a day of drying before the next.
 */
export function subjectAdditions(
  subjects: readonly RouteSubject[],
  calls: readonly RouteCall[],
  climate: Climate,
): Addition[] {
  return subjects.flatMap((subject) => {
    const { kind, name, title, count, place, byGate, layers } = subject;
    const facts = SUBJECTS[kind];
    const key = (job: string) => `${name}:${job}`;
    const all = count === 1 ? title : `${title} (${count})`;
    const times = (minutes: number) => minutes * count;
    const explained = (minutes: number, each: string) =>
      count === 1 ? `${minutes} min: ${each}` : `${minutes} min for one, ${count} of them: ${each}`;
    const zones = facts.zones.map((zone) => subjectZone(name, zone.key));
    const made: Addition[] = [];
    const add = (step: Addition['step'], after: readonly After[]) =>
      made.push({ step: { ...step, family: 'subject', subject: name }, after, before: [] });

    add(
      stepOf(key('build'), `${facts.build.does} ${all}`, facts.build.kind, 'Base', times(facts.build.minutes), {
        splittable: true,
        cautions: [BLADE],
        zones,
        minutesFrom: explained(facts.build.minutes, 'typical for this work; your log corrects it'),
      }),
      ['options'],
    );
    let last: After = key('build');
    layers.forEach((layer, i) => {
      const { does, minutes, why, days } = BASE_LAYER_WORK[layer];
      const before = layers[i - 1];
      add(stepOf(key(`layer:${i + 1}:${layer}`), `${does} on ${title}`, 'assemble', 'Base', minutes, { why, zones }), [
        before
          ? {
              step: key(`layer:${i}:${before}`),
              minutes: dried(BASE_LAYER_WORK[before].days),
              why: BASE_LAYER_WORK[before].why,
            }
          : last,
      ]);
      if (i === layers.length - 1) last = { step: key(`layer:${i + 1}:${layer}`), minutes: dried(days), why };
    });
    const own = calls.flatMap((call) => {
      const here = call.zones.filter((zone) => zones.includes(zone));
      return here.length > 0 ? [{ ...call, zones: here }] : [];
    });
    add(
      stepOf(key('prime'), `Prime ${all}`, 'spray', 'Base', times(5) + 10, {
        load: GENERAL_COATS.primer,
        lays: [layerOfCoat(GENERAL_COATS.primer)],
        zones,
        cautions: [SPRAY],
        minutesFrom: explained(5, 'and 10 min to set up'),
      }),
      [last],
    );
    last = { step: key('prime'), until: 'recoat', why: 'primer may be painted over' };
    for (const call of own) {
      const called = call.name || call.code;
      const load = loadOf(call);
      add(
        stepOf(
          key(`colour:${call.code}`),
          `${called} on ${all}, ${zoneWords(kind, name, call.zones)}`,
          'spray',
          'Base',
          times(facts.paintMinutes),
          {
            load,
            lays: [
              {
                ...layerOfCoat({ what: 'colour', title: call.paint?.label ?? '', chemistry: load.chemistry }),
                code: call.code,
                coats: call.coats ?? 2,
              },
            ],
            code: call.code,
            zones: call.zones,
            cautions: [SPRAYING[load.chemistry].caution],
            minutesFrom: explained(facts.paintMinutes, count === 1 ? 'one spraying' : 'one spraying for all'),
          },
        ),
        [last],
      );
      last = { step: key(`colour:${call.code}`), until: 'recoat', why: `${called} may be painted over` };
    }
    add(
      stepOf(
        key('place'),
        `${facts.place.does} ${all}${place ? `: ${place}` : ''}`,
        'fit',
        'Base',
        times(facts.place.minutes),
        {
          cautions: [CA],
          zones,
          minutesFrom: explained(facts.place.minutes, counted(count, 'place')),
        },
      ),
      [last],
    );
    // What stands inside is there before the halves close; all else comes when the machine itself is done.
    const end = made.at(-1)!;
    made[made.length - 1] =
      byGate === 'fuselage'
        ? { ...end, before: ['gate:fuselage'] }
        : { ...end, after: [...end.after, 'aerials'], before: ['last-look'] };
    return made.map((addition, i) => (i === made.length - 1 ? addition : { ...addition, before: [key('place')] }));
  });

  function dried(days: number): number {
    return Math.ceil(days * DAY * dryingFactor(ASSUMED_CHEMISTRY, climate));
  }
}

const zoneWords = (kind: SubjectKind, name: string, zones: readonly string[]): string =>
  SUBJECTS[kind].zones
    .filter(({ key }) => zones.includes(subjectZone(name, key)))
    .map((zone) => zone.title)
    .join(' and ');
