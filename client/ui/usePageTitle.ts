import { useEffect } from 'react';

/** What the browser calls the page: in its tabs, its history and to a screen reader. The most particular comes first. */
export function usePageTitle(...parts: readonly (string | null | undefined)[]): void {
  const title = [...parts.filter(Boolean), 'Cascade Brook'].join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);
}
