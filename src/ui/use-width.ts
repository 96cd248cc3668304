'use client';

import { useEffect, useRef, useState, type RefObject } from 'react';

/** The width that an element has, px; 0 until it is known. */
export function useWidth(): readonly [width: number, frame: RefObject<HTMLDivElement | null>] {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = frame.current;
    if (!element) return undefined;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [width, frame] as const;
}
