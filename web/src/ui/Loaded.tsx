import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Loading } from './Loading';
import { ProblemNote } from './ProblemNote';
import { Page } from './Sheet';

export interface LoadedProps<T> {
  query: UseQueryResult<T>;
  children: (data: T) => ReactNode;
}

/** A view of what was asked for: that it is on its way, the problem if it did not come. */
export function Loaded<T>({ query, children }: LoadedProps<T>) {
  if (query.data !== undefined) return children(query.data);
  if (!query.isError) return <Loading />;
  return (
    <Page>
      <ProblemNote error={query.error} />
    </Page>
  );
}
