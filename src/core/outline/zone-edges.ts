/** Where zones of one surface meet, as shares: they are names for places, and are pulled to where this machine's colours meet. */
export interface ZoneEdges {
  /** How far up a side the underside reaches, of the height there. */
  underside: number;
  /** Where the forward fuselage ends and the rear one begins, of the length behind the cowling. */
  forward: number;
  rear: number;
  /** Where the outer wing begins, of the half span. */
  outer: number;
}

export const ZONE_EDGES: ZoneEdges = { underside: 0.3, forward: 0.36, rear: 0.66, outer: 0.5 };
