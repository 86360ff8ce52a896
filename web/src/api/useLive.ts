import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { aspectsOf, onlyAspects } from './job';
import { keys, type Progress } from './queries';

interface Change {
  topic: string;
  /** Of a job: what of its view changed, as {@code CASE,HISTORY}. */
  body: string;
}

/**
 * Joins a fetch that is under way instead of cutting it off: whoever waits for it after an own
 * change would go on with what was there before, and the next change would name an old version. As
 * it may be older than this change, it is asked once more afterwards.
 */
async function refresh(
  client: QueryClient,
  queryKey: readonly unknown[],
  begin: (fetch: () => Promise<void>) => Promise<void> = (fetch) => fetch(),
) {
  const underWay = client.isFetching({ queryKey }) > 0;
  const fetch = () => client.invalidateQueries({ queryKey }, { cancelRefetch: false });
  await begin(fetch);
  if (underWay) await begin(fetch);
}

/** Fetches anew what a change concerns. */
export function applyChange(client: QueryClient, change: Change) {
  const [what, number] = change.topic.split(':');
  if (what === 'progress' && number !== undefined) {
    client.setQueryData(keys.progress(number), JSON.parse(change.body) as Progress);
  } else if (what === 'job' && number !== undefined) {
    const aspects = aspectsOf(change.body);
    void refresh(client, keys.job(number), (fetch) => {
      // What an earlier change named and could not be fetched is old still: then all is asked for.
      const state = client.getQueryState(keys.job(number));
      const isUpToDate = state?.status === 'success' && !state.isInvalidated;
      return isUpToDate ? onlyAspects(number, aspects, fetch) : fetch();
    });
  } else if (what === 'run' && number !== undefined) {
    void refresh(client, keys.run(number));
  } else if (what === 'know-how') {
    void refresh(client, keys.knowHow);
  } else if (what === 'knock') {
    void refresh(client, keys.knocks);
  } else if (what === 'bell') {
    void refresh(client, keys.bell);
  } else if (what === 'part' && number !== undefined) {
    void refresh(client, ['part']);
  } else if (what === 'intake' && number !== undefined) {
    void refresh(client, ['intake', number]);
  } else {
    void refresh(client, keys.floor);
  }
}

/**
 * Keeps the views up to date while somebody is signed in.
 * @returns whether changes are coming in; if not, what is shown may be old
 */
export function useLive(signedIn: boolean): boolean {
  const client = useQueryClient();
  const [connected, setConnected] = useState(true);
  useEffect(() => {
    if (!signedIn) return undefined;
    // eslint-disable-next-line no-restricted-syntax -- a stream has no description
    const stream = new EventSource('/api/live');
    let lost = false;
    stream.addEventListener('changed', (event: MessageEvent<string>) => {
      applyChange(client, JSON.parse(event.data) as Change);
    });
    stream.onopen = () => {
      setConnected(true);
      // What happened while the stream was away was not told.
      if (lost) void client.invalidateQueries();
      lost = false;
    };
    stream.onerror = () => {
      lost = true;
      setConnected(false);
      // A refused stream does not come back by itself: find out whether the session has ended.
      if (stream.readyState === EventSource.CLOSED) {
        void client.invalidateQueries({ queryKey: keys.session });
      }
    };
    return () => {
      stream.close();
    };
  }, [client, signedIn]);
  return connected;
}
