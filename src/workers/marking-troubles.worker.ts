import { expose } from 'comlink';
import { schemeOn } from '@/core/markings/placing';
import { troublesOf } from '@/core/markings/troubles';
import { buildOutline, type OutlineSpec } from '@/core/outline/outline';

type Placed = Parameters<typeof troublesOf>[2];

expose({
  troublesOf: (spec: OutlineSpec, denominator: number, fields: Parameters<typeof schemeOn>[1], markings: Placed) => {
    const outline = buildOutline(spec);
    return troublesOf(outline, denominator, markings, schemeOn(outline, fields, markings));
  },
});
