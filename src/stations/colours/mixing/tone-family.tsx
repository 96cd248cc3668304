'use client';

import Button from '@mui/material/Button';
import { useMemo, useState, type ReactNode } from 'react';
import { keepRecipes } from '@/actions/choices';
import { BLANK_RECIPE } from '@/core/kept/blank';
import { recipeLabel, withPaints } from '@/core/derive/recipes';
import { hexOf } from '@/core/colour/spaces';
import type { Pigment } from '@/core/colour/kubelka-munk';
import { TONE_STEPS, toneFamily } from '@/core/match/mix/tones';
import { tryRecipe } from '@/core/match/mix/cup';
import { isMixable, pigmentOfPaint } from '@/core/paint/paint-pigment';
import type { Paint } from '@/core/paint/catalogue';
import { DropBar } from '@/ui/drop-bar';
import { useSaving } from '@/ui/saving';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { dropOf } from '@/stations/colours/of-call';

/** Faded, bleached, shadowed and chipped members of the colour in hand, each as a recipe. */
export function ToneFamily({
  data,
  call,
  base,
  paints,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  base: readonly { paintId: string; drops: number; paint: Paint; pigment: Pigment }[];
  paints: readonly Paint[];
}): ReactNode {
  const { run, busy } = useSaving();
  const [pureWhite, setPureWhite] = useState(false);
  const [open, setOpen] = useState(false);
  const chemistry = base[0]!.paint.chemistry;
  const adders = useMemo(
    () =>
      open
        ? paints
            .filter((paint) => paint.ownedMl > 0 && paint.chemistry === chemistry && isMixable(paint))
            .map((paint) => ({ paintId: paint.id, drops: 0, pigment: pigmentOfPaint(paint)!.pigment }))
        : [],
    [open, paints, chemistry],
  );
  const meets = new Set(data.edges.flatMap(({ a, b }) => (a === call.code ? [b] : b === call.code ? [a] : [])));
  const neighbours = data.calls.flatMap((other) => {
    const lab = other.chosen?.paint.lab ?? other.lab;
    return meets.has(other.code) && lab ? [{ name: other.name || other.code, lab }] : [];
  });
  const family = open ? toneFamily(base, adders, neighbours, { pureWhite }) : [];
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const keep = () =>
    run(
      (act) =>
        keepRecipes({
          act,
          briefId: data.briefId,
          recipes: family.map(({ tone, parts, lab, dE00, step }) => ({
            codeId: call.codeId,
            ...BLANK_RECIPE,
            tone,
            parts,
            predicted: lab,
            sd: tryRecipe(
              lab,
              parts.map(({ paintId, drops }) => ({ ...pigmentOfPaint(byId.get(paintId)!)!, count: drops })),
            ).sd,
            note: `${dE00.toFixed(1)} from the base, aimed at ${step.toFixed(1)}`,
          })),
        }),
      'The family is kept',
    );
  return (
    <section className="bar-line" aria-label="Tone family">
      <h2 style={{ marginTop: 0 }}>Tone family</h2>
      {open ? (
        <>
          <label>
            <input type="checkbox" checked={pureWhite} onChange={(event) => setPureWhite(event.target.checked)} /> pure
            white may lighten a warm base too (it chalks)
          </label>
          <div className="tone-strip" role="img" aria-label="The family beside its base">
            {[...family]
              .sort((a, b) => a.lab[0] - b.lab[0])
              .map(({ tone, lab }) => (
                <span key={tone} style={{ background: hexOf(lab) }} title={TONE_STEPS[tone].title} />
              ))}
          </div>
          <table className="plain">
            <thead>
              <tr>
                <th>Tone</th>
                <th>Drops</th>
                <th className="num">ΔE00 from the base</th>
                <th>Why</th>
              </tr>
            </thead>
            <tbody>
              {family.map(({ tone, parts, dE00, step, limitedBy }) => (
                <tr key={tone}>
                  <td>{TONE_STEPS[tone].title}</td>
                  <td>
                    <DropBar parts={withPaints(parts, byId).map(({ paint, drops }) => dropOf(paint, drops))} />
                    <div>{recipeLabel(withPaints(parts, byId))}</div>
                  </td>
                  <td className="num">
                    {dE00.toFixed(1)} <span className="dim">of {step.toFixed(1)}</span>
                  </td>
                  <td className="dim">
                    {TONE_STEPS[tone].reason}
                    {limitedBy ? `; kept to half the way to ${limitedBy}` : ''}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {family.length === 0 ? <p>The drawer holds nothing of this chemistry that lightens or darkens it.</p> : null}
          <p className="pane-actions">
            <Button variant="outlined" disabled={busy || family.length === 0} onClick={keep}>
              Keep the family
            </Button>
          </p>
        </>
      ) : (
        <Button variant="outlined" onClick={() => setOpen(true)}>
          Faded, bleached, shadowed, chipped…
        </Button>
      )}
    </section>
  );
}
