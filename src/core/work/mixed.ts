/** What goes into a cup: drops by the names of their paints, and parts of thinner to one of paint. */
export interface Mixed {
  parts: readonly { label: string; drops: number }[];
  thinner: number;
}
