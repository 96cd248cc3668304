import type { OfficialColour, RelatedCode } from './official';
import { combinedSd } from '@/core/colour/words';

/** What is said of a code beside its own colour: at a call and at its standard alike. */

export const batchInWords = (
  { batch, sd, dE00 }: OfficialColour['batches'][number],
  official: Pick<OfficialColour, 'sd'>,
): string =>
  `Batch ${batch}: ${
    dE00 === null
      ? `± ${sd.toFixed(1)}, no standard chip beside it`
      : `${dE00.toFixed(1)} ± ${combinedSd(sd, official.sd).toFixed(1)} from the standard`
  }`;

const RELATION_WORDS: Record<RelatedCode['kind'], string> = {
  superseded: 'Superseded by',
  supersedes: 'Supersedes',
  equivalent: 'Named as the equivalent of',
};

export const relationInWords = ({ kind, code, name, fromDay, toDay, says, dE00, sd, note }: RelatedCode): string =>
  `${RELATION_WORDS[kind]} ${code} ${name}`.trim() +
  (fromDay || toDay ? `, ${fromDay ?? '…'} to ${toDay ?? '…'}` : '') +
  `: ${says}` +
  (dE00 === null ? '' : `, ΔE00 ${dE00.toFixed(1)} ± ${sd.toFixed(1)}`) +
  (note ? `. ${note}` : '');

export const finishesInWords = (others: readonly { code: string; finish: string | null }[]): string =>
  `The same colour in another finish: ${others.map(({ code, finish }) => [code, finish].filter(Boolean).join(', ')).join('; ')}`;
