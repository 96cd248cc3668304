'use client';

import { createContext, useContext } from 'react';

interface ZoneChoice {
  zone: string | null;
  choose: (zone: string | null) => void;
  titleOf: (zone: string) => string;
}

/** Which zone is chosen on the sheet; every station narrows to it. */
export const ZoneChoiceContext = createContext<ZoneChoice>({
  zone: null,
  choose: () => undefined,
  titleOf: (zone) => zone,
});

export const useZoneChoice = () => useContext(ZoneChoiceContext);
