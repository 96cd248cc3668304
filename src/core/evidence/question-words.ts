/** A question as it is called: "Fin and rudder, starboard, colour". */
export const questionInWords = ({ zoneTitle, aspectTitle }: { zoneTitle: string; aspectTitle: string }): string =>
  `${zoneTitle}, ${aspectTitle.toLowerCase()}`;
