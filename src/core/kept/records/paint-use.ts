import { z } from 'zod';
import { day, id, number, prose } from '../fields';

/** What a job of spraying really took. */
export const paintUseFields = z.strictObject({
  codeId: id,
  onDay: day('On'),
  areaCm2: number('Area').min(0.1, 'Area: above 0').max(100_000, 'Area: at most 10 square metres'),
  coats: number('Coats').int('Coats: a whole number').min(1, 'Coats: at least 1').max(30, 'Coats: at most 30'),
  fillings: number('Fillings')
    .int('Fillings: a whole number')
    .min(1, 'Fillings: at least 1')
    .max(50, 'Fillings: at most 50'),
  sprayedMl: number('Sprayed').min(0.05, 'Sprayed: above 0 ml').max(1000, 'Sprayed: at most 1000 ml'),
  note: prose('Note', 300),
});
