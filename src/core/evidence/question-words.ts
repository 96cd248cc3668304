/** A question as it is called: "Fin and rudder, starboard, colour". */
export const questionInWords = ({ zoneTitle, aspectTitle }: { zoneTitle: string; aspectTitle: string }): string =>
  `${zoneTitle}, ${aspectTitle.toLowerCase()}`;

/** What speaks against a ruling; where nothing is known of it, there is nothing to speak against it either. */
export function ruledAgainst(chance: number): string {
  const percent = Math.round(chance * 100);
  return percent >= 100
    ? 'Ruled, and nothing here supports it. '
    : `Ruled, but ${percent} % of what is known speaks for something else. `;
}
