import { z } from 'zod';
import { choice, id, inOrder, line, needed, number, optionalDay, prose } from '../fields';
import { FILM_NAMES } from '@/core/evidence/film';
import { calibrationSchema } from '@/core/evidence/picture/marks';
import { SOURCE_KIND_NAMES } from '@/core/evidence/weights';
import { VIEWS } from '@/core/outline/zones';
import { keptCameraSchema } from '@/core/skin/camera/kept-camera';

export const sourceFields = inOrder(
  z.strictObject({
    kind: choice('Kind', SOURCE_KIND_NAMES),
    title: needed('Title'),
    citation: prose('Citation', 500),
    page: line('Page', 40),
    place: line('Place'),
    dateFrom: optionalDay('Dated from'),
    dateTo: optionalDay('Dated to'),
    afterEventId: id.nullable(),
    beforeEventId: id.nullable(),
    sides: z.array(z.enum(VIEWS)),
    zones: z.array(needed('Zone', 60)).max(200, 'Zones shown: at most 200'),
    film: choice('Film', FILM_NAMES),
    derivedFrom: z.array(id),
    grade: number('Grade').min(0, 'Grade: from 0').max(2, 'Grade: to 2'),
    gradeReason: prose('Reason for the grade', 300),
    pictureId: z.string().nullable(),
    calibration: calibrationSchema.nullable(),
    camera: keptCameraSchema.nullable().default(null),
  }),
  'dateFrom',
  'dateTo',
  'Dated to: the window ends before it starts',
);
