import { z } from 'zod';
import { OPTION_CHOICES, OPTION_NAMES, type Choice, type OptionName, type Options } from './options';

/** Choices that a file leaves out are as usual. */
export const optionsSchema = z.strictObject(
  Object.fromEntries(
    OPTION_NAMES.map((name) => {
      const { title, choices: values, usual } = OPTION_CHOICES[name] as Choice;
      return [name, z.enum(values, { error: `${title}: choose one of ${values.join(', ')}` }).default(usual)];
    }),
  ) as unknown as { [N in OptionName]: z.ZodDefault<z.ZodType<Options[N], Options[N]>> },
);
