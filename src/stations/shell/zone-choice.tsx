'use client';

import { createContext, useContext } from 'react';
import type { SheetOverlay } from '@/sheet/airframe-sheet';
import type { TurnedAt } from '@/sheet/hand/turned-at';
import type { ShownSheet } from '@/sheet/sheet-data';

interface ZoneChoice {
  zone: string | null;
  choose: (zone: string | null) => void;
  titleOf: (zone: string) => string;
  /** Several zones at once, for saying something of all of them. */
  several: ReadonlySet<string>;
  chooseSeveral: (zones: ReadonlySet<string>) => void;
}

/** Which zone is chosen on the sheet; every station narrows to it. */
export const ZoneChoiceContext = createContext<ZoneChoice>({
  zone: null,
  choose: () => undefined,
  titleOf: (zone) => zone,
  several: new Set(),
  chooseSeveral: () => undefined,
});

/** Lays something over the airframe sheet; null takes it off. */
export const SheetOverlayContext = createContext<(overlay: SheetOverlay | null) => void>(() => undefined);

/** Takes the machine into the hand as it stands at a step. */
export const TurnContext = createContext<(at: TurnedAt) => void>(() => undefined);

export const useTurn = () => useContext(TurnContext);

/** What the sheet draws, for a station that draws the airframe once more. */
export const SheetDataContext = createContext<ShownSheet | null>(null);

export const useSheetData = () => useContext(SheetDataContext);

export const useSheetOverlay = () => useContext(SheetOverlayContext);

export const useZoneChoice = () => useContext(ZoneChoiceContext);
