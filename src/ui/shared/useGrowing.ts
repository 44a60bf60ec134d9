import { useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';

const AT_FIRST = 60;
const MORE = 60;

/**
 * The beginning of a long list, which grows as its end comes near what is seen of the page. The element that is given
 * belongs behind the last of them.
 */
export function useGrowing<T>(list: readonly T[]): {
  readonly shown: readonly T[];
  readonly end: RefObject<HTMLDivElement | null>;
} {
  const [count, setCount] = useState(AT_FIRST);
  const end = useRef<HTMLDivElement>(null);
  const hasMore = count < list.length;
  useEffect(() => {
    const target = end.current;
    if (target === null || !hasMore) return;
    // Looked at anew each time: one that is still in sight after growing has to grow again.
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some((entry) => entry.isIntersecting)) setCount((now) => now + MORE);
      },
      { rootMargin: '600px' },
    );
    observer.observe(target);
    return () => observer.disconnect();
  }, [hasMore, count]);
  return { shown: hasMore ? list.slice(0, count) : list, end };
}
