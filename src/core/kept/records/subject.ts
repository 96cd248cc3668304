import { z } from 'zod';
import { choice, line, needed, number, prose } from '../fields';
import { BASE_LAYERS, IN_PLACE_BY, SUBJECT_KINDS, SUBJECTS } from '@/core/kit/subjects';

const metres = (title: string) => number(title).min(0, `${title}: never below 0`).max(400, `${title}: at most 400 m`);

/** What is modelled beside the main airframe. */
export const subjectFields = z
  .strictObject({
    kind: choice('Kind', SUBJECT_KINDS),
    /** By which its zones and its work know it, whatever it is called: made of its first title where nothing is given. */
    name: line('Name', 60).default(''),
    title: needed('Title', 40).regex(/[a-z0-9]/i, 'Title: a letter or a number is needed'),
    count: number('Count').int('Count: a whole number').min(1, 'Count: at least 1').max(200, 'Count: at most 200'),
    place: line('Place', 80),
    /** Another subject, by its name; '' where it stands by itself, or beside the machine. */
    standsOn: line('Stands on', 60).default(''),
    /** How large it really is, m: what there is of it to paint follows; 0 where nobody measured it. */
    lengthM: metres('Length').default(0),
    breadthM: metres('Breadth').default(0),
    heightM: metres('Height').default(0),
    /** Of a figure: what it does, as the sources show it. */
    role: line('Role', 80),
    byGate: choice('In place by', IN_PLACE_BY),
    /** Of a base, from the bottom up. */
    layers: z.array(choice('Layer', BASE_LAYERS)).max(20, 'Layers: at most twenty').default([]),
    note: prose('Note', 500),
  })
  .refine(({ kind, place }) => !SUBJECTS[kind].asksPlace || place !== '', {
    path: ['place'],
    message: 'Place: where does it stand? A figure, a vehicle or a parked aircraft needs one',
  });
