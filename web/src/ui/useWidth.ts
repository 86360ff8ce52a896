import { useLayoutEffect, useRef, useState } from 'react';

const UNTIL_MEASURED = 640;
const MIN = 200;

/** How wide an element is drawn [CSS px], so that text in a picture keeps its own size. */
export function useWidth() {
  const box = useRef<SVGSVGElement>(null);
  const [width, setWidth] = useState(UNTIL_MEASURED);
  useLayoutEffect(() => {
    const element = box.current;
    if (element === null) return undefined;
    const measure = () => {
      const wide = Math.floor(element.getBoundingClientRect().width);
      if (wide > 0) setWidth(Math.max(MIN, wide));
    };
    measure();
    if (typeof ResizeObserver === 'undefined') return undefined;
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    return () => {
      watcher.disconnect();
    };
  }, []);
  return [box, width] as const;
}
