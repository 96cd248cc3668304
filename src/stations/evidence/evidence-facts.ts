import type { BriefView } from '@/core/brief/derive';
import type { Kept } from '@/core/brief/records';
import { identityOf, type ColourShelf } from '@/core/brief/state';
import { SOURCE_KINDS } from '@/core/evidence/weights';
import type { Contribution } from '@/core/evidence/weigh';

export interface QuestionFacts {
  id: string;
  version: number;
  zone: string;
  zoneTitle: string;
  aspect: Kept<'question'>['aspect'];
  aspectTitle: string;
  state: string;
  best: string | null;
  share: number | null;
  support: Record<string, number> | null;
  median: number | null;
  spread: number | null;
  outliers: string[];
  contributions: Contribution[];
  sightings: Kept<'sighting'>[];
  ruling: Kept<'ruling'> | null;
  reopened: boolean;
  open: boolean;
  gate: string;
}

export interface EvidenceFacts {
  briefId: string;
  identity: string;
  target: { from: string | null; to: string | null };
  sources: (Kept<'source'> & { kindTitle: string; inWindow: boolean })[];
  questions: QuestionFacts[];
  gates: { name: string; title: string; start: string | null; passed: boolean; open: number }[];
  chase: { questionId: string; gate: string; start: string | null }[];
  zones: { value: string; label: string }[];
  codes: { value: string; label: string }[];
  repaints: Kept<'repaint'>[];
}

export function evidenceFacts(view: BriefView, shelf: ColourShelf): EvidenceFacts {
  const { airframe, sources, brief, repaints } = view.state;
  const target = { from: airframe.targetFrom, to: airframe.targetTo };
  const overlaps = (source: Kept<'source'>) => {
    const [from, to] = [source.dateFrom ?? source.dateTo, source.dateTo ?? source.dateFrom];
    const [first, last] = [target.from ?? target.to, target.to ?? target.from];
    return Boolean(from && to && first && last && from <= last && to >= first);
  };
  return {
    briefId: brief.id,
    identity: identityOf(airframe),
    target,
    sources: sources.map((source) => ({
      ...source,
      kindTitle: SOURCE_KINDS[source.kind].title,
      inWindow: overlaps(source),
    })),
    questions: view.questions.map((question) => ({
      id: question.record.id,
      version: question.record.version,
      zone: question.record.zone,
      zoneTitle: question.zoneTitle,
      aspect: question.record.aspect,
      aspectTitle: question.aspectTitle,
      state: question.weighed.state,
      best: question.best,
      share: question.bestShare,
      support: question.weighed.support,
      median: question.weighed.median,
      spread: question.weighed.spread,
      outliers: question.weighed.outliers.map((outlier) => outlier.source),
      contributions: question.weighed.contributions,
      sightings: question.sightings,
      ruling: question.ruling,
      reopened: question.reopened,
      open: question.open,
      gate: question.gate,
    })),
    gates: view.gates.map(({ name, title, start, passed, open }) => ({
      name,
      title,
      start,
      passed,
      open: open.length,
    })),
    chase: view.chase.map(({ question, gate }) => ({
      questionId: question.record.id,
      gate: gate.title,
      start: gate.start,
    })),
    zones: view.outline.zones.map((zone) => ({ value: zone.key, label: zone.title })),
    codes: shelf.codes.map((code) => ({ value: code.code, label: `${code.code} ${code.name}` })),
    repaints,
  };
}
