import type { ReactNode } from 'react';
import { recipeLabel, withPaints } from '@/core/derive/recipes';
import type { Lab } from '@/core/colour/types';
import { differenceInWords } from '@/core/colour/words';
import { partsOf } from '@/core/match/mix/cup';
import type { Paint } from '@/core/paint/catalogue';
import { ButtedSwatches } from '@/ui/swatch';
import type { MixAnswer } from '@/core/match/mix/mix-question';
import '../colours.css';

/** What the search has found so far, best first, and why nothing nearer. */
export function FoundRecipes({
  answer,
  working,
  target,
  targetSd,
  byId,
  from,
  onTake,
}: {
  answer: MixAnswer | null;
  working: boolean;
  target: Lab;
  targetSd: number;
  byId: ReadonlyMap<string, Paint>;
  from: number;
  onTake: (parts: { paintId: string; drops: number }[]) => void;
}): ReactNode {
  if (!answer)
    return working ? null : (
      <p className="dim">
        {from} paints to mix from. The search looks for few paints in few whole drops: each further paint has to earn
        0.2 ΔE00.
      </p>
    );
  return (
    <>
      <table className="plain found">
        <tbody>
          {answer.recipes.map((recipe) => {
            const parts = withPaints(partsOf(recipe), byId);
            const label = recipeLabel(parts);
            return (
              <tr key={label}>
                <td>
                  <ButtedSwatches official={target} chosen={recipe.lab} label={label} width={84} />
                </td>
                <td>
                  <button
                    type="button"
                    className="row-button"
                    onClick={() => onTake(parts.map(({ paint, drops }) => ({ paintId: paint.id, drops })))}
                  >
                    {label}
                  </button>
                  <div className="dim">
                    {differenceInWords(target, recipe.lab, recipe.dE00, Math.hypot(targetSd, recipe.sd))}
                  </div>
                </td>
                <td className="num">{recipe.dE00.toFixed(2)}</td>
                <td className="num dim nowrap">± {recipe.sd.toFixed(1)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {answer.recipes.length === 0 && !working ? (
        <p>{answer.why ?? 'Nothing can be mixed with what is kept.'}</p>
      ) : null}
      {answer.why && answer.recipes.length > 0 ? (
        <p>
          The nearest is {answer.recipes[0]!.dE00.toFixed(1)} off: {answer.why}.
        </p>
      ) : null}
      {working ? null : (
        <p className="dim">
          {answer.proven
            ? 'Every recipe was looked at: none is better.'
            : `${answer.evaluated.toLocaleString()} mixtures looked at; a better one may exist, hardly by much.`}
        </p>
      )}
    </>
  );
}
