import { UNMEASURED } from '@/core/colour/unmeasured';
import type { ReactNode } from 'react';
import type { BenchCard } from '@/core/bench/cards';
import { durationInWords } from '@/core/units/minutes';
import { capital, listed } from '@/core/units/words';
import { shortDay } from '@/ui/dates';
import { DropBar } from '@/ui/drop-bar';
import { Explained } from '@/ui/explained';
import { useShown } from '@/ui/shown-units';

/** With what a step is done: cup, paint, way, coats, spray, masks, strips, and how long it takes. */
export function CardFacts({ card }: { card: BenchCard }): ReactNode {
  const shown = useShown();
  const { coats, spray, way } = card;
  return (
    <dl className="facts">
      <InTheCup card={card} />
      {way ? (
        <div>
          <dt>By</dt>
          <dd>
            <Explained says={`${way.because}.`}>{way.name}</Explained>
          </dd>
        </div>
      ) : null}
      {way?.facts.map(({ label, says }) => (
        <div key={label} className="wide">
          <dt>{label}</dt>
          <dd>{capital(says)}</dd>
        </div>
      ))}
      {coats ? (
        <div>
          <dt>Coats</dt>
          <dd>
            <Explained says={`${coats.because}.`}>{coats.coats}</Explained>
            {coats.between > 0 ? <span className="dim"> {durationInWords(coats.between)} between</span> : null}
          </dd>
        </div>
      ) : null}
      {spray ? (
        <>
          <div>
            <dt>Pressure</dt>
            <dd>{shown(`${spray.pressureBar.toFixed(1)} bar`)}</dd>
          </div>
          <div>
            <dt>Needle, distance</dt>
            <dd>
              {spray.needleMm} mm, {shown(`${spray.distanceCm} cm`)}
            </dd>
          </div>
        </>
      ) : null}
      {card.masked.map((says) => (
        <div key={says} className="wide">
          <dt>Masked</dt>
          <dd>{says}</dd>
        </div>
      ))}
      {card.doneOn ? (
        <div className="wide">
          <dt>Done before on</dt>
          <dd>{card.doneOn}; this is what is left</dd>
        </div>
      ) : null}
      {card.strips.length > 0 ? (
        <div className="wide">
          <dt>Strips to cut</dt>
          <dd>{listed(card.strips.map(({ says, mm }) => shown(`${mm} mm ${says}`)))}</dd>
        </div>
      ) : null}
      {card.schools.map(({ title, choice }) => (
        <div key={title}>
          <dt>{title}</dt>
          <dd>{capital(choice)}</dd>
        </div>
      ))}
      <div>
        <dt>Takes</dt>
        <dd>{card.minutes} min</dd>
      </div>
    </dl>
  );
}

/** What goes into the cup, or the paint as it comes from its bottle. */
function InTheCup({ card: { cup, paint } }: { card: BenchCard }): ReactNode {
  if (!cup)
    return paint ? (
      <div>
        <dt>Paint</dt>
        <dd>
          {paint.label} <span className="dim">{paint.chemistry.toLowerCase()}</span>
        </dd>
      </div>
    ) : null;
  const { ownedMl = null, neededMl = null } = paint ?? {};
  return (
    <div className="wide">
      <dt>In the cup{cup.fillings > 1 ? `, ${cup.fillings} times` : ''}</dt>
      <dd>
        <DropBar
          parts={[
            ...cup.parts.map(({ label, drops, hex }) => ({ label, drops, hex: hex ?? paint?.hex ?? UNMEASURED })),
            ...(cup.thinnerDrops > 0 ? [{ label: cup.thinner, hex: null, drops: cup.thinnerDrops }] : []),
          ]}
        />
        <Explained says={`${cup.because}.`}>
          {listed(cup.parts.map(({ label, drops }) => `${drops} drops ${label}`))}
          {cup.thinnerDrops > 0 ? `, ${cup.thinnerDrops} ${cup.thinner}` : ', not thinned'}
        </Explained>
        <span className="dim">
          {' '}
          {paint?.chemistry.toLowerCase()}
          {ownedMl === null ? '' : `, ${ownedMl > 0 ? `${ownedMl.toFixed(0)} ml in the drawer` : 'not in the drawer'}`}
          {ownedMl !== null && neededMl !== null && ownedMl < neededMl ? ' ▲ not enough' : ''}
        </span>
      </dd>
    </div>
  );
}

/** What test pieces have shown of the step, or of its paint. */
export function TriedBefore({ card: { tried } }: { card: BenchCard }): ReactNode {
  const shown = useShown();
  if (tried.length === 0) return null;
  return (
    <ul className="plain-list" aria-label="Tried before">
      {tried.map(({ id, title, onDay, result, pressureBar, note, pictureId }) => (
        <li key={id}>
          {result === '' || result === 'as wanted' ? null : <strong className="danger">▲ </strong>}
          <strong>{result === '' ? 'Tried, not judged yet' : capital(result)}</strong>, {shortDay(onDay)}: {title}
          {pressureBar === null ? '' : shown(`, ${pressureBar} bar`)}
          {note ? <span className="dim">. {note}</span> : null}
          {pictureId ? (
            <>
              {' '}
              <a href={`/pictures/${pictureId}`} target="_blank" rel="noreferrer">
                picture
              </a>
            </>
          ) : null}
        </li>
      ))}
    </ul>
  );
}
