import type { Aspect } from '@/core/evidence/aspects';
import type { Takes } from '../takes';
import type { StepKind } from '@/core/work/kinds';

/** What a ruling about the structure of a zone makes to do, as data. */
export interface StructureWork {
  aspect: Aspect;
  /** The ruled answer, as it is chosen; or words that say it. */
  says: RegExp;
  job: string;
  /** The step's title; %s is where. */
  title: string;
  kind: StepKind;
  minutes: Takes;
  after: readonly string[];
  before: readonly string[];
  caution: 'dust' | 'blade' | null;
  why: string;
}

export const STRUCTURE: readonly StructureWork[] = [
  {
    aspect: 'seam',
    says: /^not real$/,
    job: 'fill-seam',
    title: 'Fill the seam on %s: the real machine has none',
    kind: 'fill',
    minutes: { work: 'build', parts: 8 },
    after: ['seams-fuselage', 'seams-wings'],
    before: ['degrease'],
    caution: 'dust',
    why: 'ruled: no seam here',
  },
  {
    aspect: 'seam',
    says: /^real$/,
    job: 'keep-seam',
    title: 'Keep the joint on %s open as a panel line',
    kind: 'mend',
    minutes: { work: 'build', parts: 3 },
    after: ['seams-fuselage', 'seams-wings'],
    before: ['degrease'],
    caution: 'blade',
    why: 'ruled: a real panel line, which is not filled',
  },
  {
    aspect: 'seam',
    says: /^real in part$/,
    job: 'part-seam',
    title: 'Fill the seam on %s where there is no panel line, keep the rest',
    kind: 'fill',
    minutes: { work: 'build', parts: 10 },
    after: ['seams-fuselage', 'seams-wings'],
    before: ['degrease'],
    caution: 'dust',
    why: 'ruled: real in part',
  },
  {
    aspect: 'gearCover',
    says: /^full$/,
    job: 'smooth-cover',
    title: "Fill the hub's holes on %s, sand the covers smooth",
    kind: 'fill',
    minutes: { work: 'build', parts: 8 },
    after: ['check-parts'],
    before: ['build-gear'],
    caution: 'dust',
    why: 'ruled: smooth wheel covers',
  },
  {
    aspect: 'gearCover',
    says: /^half$/,
    job: 'cut-cover',
    title: 'Cut the covers on %s to half',
    kind: 'clean',
    minutes: { work: 'build', parts: 7 },
    after: ['check-parts'],
    before: ['build-gear'],
    caution: 'blade',
    why: 'ruled: half covers',
  },
  {
    aspect: 'gearCover',
    says: /^none$/,
    job: 'no-cover',
    title: 'Cut the covers off %s, clean the legs',
    kind: 'clean',
    minutes: { work: 'build', parts: 5 },
    after: ['check-parts'],
    before: ['build-gear'],
    caution: 'blade',
    why: 'ruled: no covers',
  },
  {
    aspect: 'gearCover',
    says: /^spoked$/,
    job: 'open-spokes',
    title: 'Open the spokes on %s',
    kind: 'drill',
    minutes: { work: 'build', parts: 13 },
    after: ['check-parts'],
    before: ['build-gear'],
    caution: 'blade',
    why: 'ruled: spoked wheels',
  },
  {
    aspect: 'aerial',
    says: /^none$/,
    job: 'fill-aerial',
    title: 'Fill the hole of the aerial on %s',
    kind: 'fill',
    minutes: { work: 'build', parts: 3 },
    after: ['seams-fuselage'],
    before: ['degrease'],
    caution: 'dust',
    why: 'ruled: no aerial there',
  },
  {
    aspect: 'hook',
    says: /^none$/,
    job: 'fill-hook',
    title: 'Leave the hook off %s and fill its slot',
    kind: 'fill',
    minutes: { work: 'build', parts: 7 },
    after: ['seams-fuselage'],
    before: ['degrease'],
    caution: 'dust',
    why: 'ruled: no hook',
  },
  {
    aspect: 'hook',
    says: /^down$/,
    job: 'lower-hook',
    title: 'Set the hook on %s lowered',
    kind: 'fit',
    minutes: { work: 'build', parts: 5 },
    after: ['fit-gear'],
    before: ['aerials'],
    caution: null,
    why: 'ruled: hook down',
  },
  {
    aspect: 'door',
    says: /^removed$/,
    job: 'clean-frame',
    title: 'Clean up the frame of the door that is off %s',
    kind: 'clean',
    minutes: { work: 'build', parts: 8 },
    after: ['check-parts'],
    before: ['gate:fuselage'],
    caution: 'blade',
    why: 'ruled: door removed',
  },
  {
    aspect: 'fit',
    says: /remov|taken off|not fitted|deleted/i,
    job: 'remove-fit',
    title: 'Remove what is not fitted on %s and fill its place',
    kind: 'fill',
    minutes: { work: 'build', parts: 7 },
    after: ['check-parts'],
    before: ['degrease'],
    caution: 'dust',
    why: 'ruled so',
  },
];
