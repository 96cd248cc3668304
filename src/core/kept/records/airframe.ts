import { z } from 'zod';
import { choice, inOrder, line, needed, optionalDay } from '../fields';
import { dimensionsSchema } from '@/core/outline/dimension-fields';
import { COCKPITS, PRESET_NAMES } from '@/core/outline/presets';
import { profileSchema } from '@/core/outline/profile-fields';
import { zoneEdgesSchema } from '@/core/outline/zone-edge-fields';
import { SURFACES } from '@/core/outline/zones';

const surface = (label: string) => choice(`${label} skinned with`, ['', ...SURFACES]).default('');

export const airframeFields = inOrder(
  z.strictObject({
    type: needed('Type', 60),
    variant: line('Variant', 40),
    serial: line('Serial', 40),
    codeLetters: line('Code letters', 20),
    name: line('Name', 60),
    unit: line('Unit'),
    place: line('Place'),
    targetFrom: optionalDay('Depicts from'),
    targetTo: optionalDay('Depicts to'),
    lostOn: optionalDay('Machine lost on'),
    preset: choice('Preset', PRESET_NAMES),
    /** '' as the layout has it. */
    gear: choice('Gear legs', ['', 'retracts', 'fixed'] as const).default(''),
    /** Whether the propeller has one, where there is a propeller at the nose. */
    spinner: z.boolean().default(true),
    /** '' as the layout has it. */
    cockpit: choice('Cockpit', ['', ...COCKPITS]).default(''),
    /** What each part is skinned with; '' as the layout has it. */
    surfaces: z
      .strictObject({ fuselage: surface('Fuselage'), wings: surface('Wings'), tail: surface('Tail') })
      .default({ fuselage: '', wings: '', tail: '' }),
    dimensions: dimensionsSchema,
    /** Pulled to a drawing; null as the outline begins. */
    profile: profileSchema.nullable().default(null),
    edges: zoneEdgesSchema.nullable().default(null),
  }),
  'targetFrom',
  'targetTo',
  'Depicts to: the window ends before it starts',
);
