import { z } from 'zod';
import { choice, line, needed } from '../fields';
import { FINISHES, FLOPS, METAL_GROUNDS, PAINT_KINDS } from '@/core/paint/catalogue';

export const colourCodeFields = z.strictObject({
  system: needed('Standard', 20),
  code: needed('Code', 60),
  name: line('Name', 60),
  finish: choice('Finish', FINISHES),
  kind: choice('Kind', PAINT_KINDS),
  /** Of a metallic: what lies under it, and how much it darkens when seen aslant; '' where it is not known. */
  ground: choice('Ground', METAL_GROUNDS).default(''),
  flop: choice('Flop', FLOPS).default(''),
});
