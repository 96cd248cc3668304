import { z } from 'zod';
import type { AcceptedPlan } from '@/core/route/accepted-plan';
import { needed } from '../fields';

const instant = z.number().int('Plan: whole minutes').min(0).max(200_000_000);

const laid: z.ZodType<AcceptedPlan['laid']> = z
  .array(
    z.strictObject({
      key: needed('Step', 200),
      title: needed('Step', 300),
      segments: z
        .array(z.tuple([instant, instant]))
        .min(1)
        .max(60),
    }),
  )
  .max(2000, 'Plan: at most 2 000 steps');

/** The plan that was accepted: where each step lay, in minutes since 1970 in UTC. */
export const acceptedPlanFields = z.strictObject({ laid });
