import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { keys, type Progress } from './queries';

interface Change {
  topic: string;
  body: string;
}

/** Fetches anew what a change concerns. */
export function applyChange(client: QueryClient, change: Change) {
  const [what, number] = change.topic.split(':');
  if (what === 'progress' && number !== undefined) {
    client.setQueryData(keys.progress(number), JSON.parse(change.body) as Progress);
  } else if (what === 'job' && number !== undefined) {
    void client.invalidateQueries({ queryKey: keys.job(number) });
  } else if (what === 'run' && number !== undefined) {
    void client.invalidateQueries({ queryKey: keys.run(number) });
  } else if (what === 'bell') {
    void client.invalidateQueries({ queryKey: keys.bell });
  } else if (what === 'part' && number !== undefined) {
    void client.invalidateQueries({ queryKey: ['part'] });
  } else if (what === 'intake' && number !== undefined) {
    void client.invalidateQueries({ queryKey: ['intake', number] });
  } else {
    void client.invalidateQueries({ queryKey: keys.floor });
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
