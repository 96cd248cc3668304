import { expose } from 'comlink';
import { CalendarFault, spellsOfIcs, type CalendarSpell } from '@/core/interchange/availability-ics';

export type ReadCalendar = { spells: CalendarSpell[] } | { fault: string };

expose({
  read(...given: Parameters<typeof spellsOfIcs>): ReadCalendar {
    try {
      return { spells: spellsOfIcs(...given) };
    } catch (error) {
      if (error instanceof CalendarFault) return { fault: error.message };
      throw error;
    }
  },
});
