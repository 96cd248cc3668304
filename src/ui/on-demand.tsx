'use client';

import { createElement, useEffect, useState, type ComponentType, type ReactNode } from 'react';

/**
 * A component whose script comes when it is first shown; `awaited` stands in its place until then. Unlike what suspends, it is shown as soon as
 * it came: nothing holds it back so that the page changes less often.
 */
export function onDemand<P extends object>(
  load: () => Promise<ComponentType<P>>,
  awaited: ReactNode = null,
): ComponentType<P> {
  let known: ComponentType<P> | null = null;
  return function OnDemand(props: P): ReactNode {
    const [isKnown, setKnown] = useState(known !== null);
    useEffect(() => {
      if (known) return;
      load().then(
        (of) => {
          known = of;
          setKnown(true);
        },
        // Out of reach: it is asked for again when it is shown again.
        () => undefined,
      );
    }, []);
    return isKnown && known ? createElement(known, props) : awaited;
  };
}
