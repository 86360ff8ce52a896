import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Problem, told } from '../../api/client';
import type { Answers, Intake } from '../../api/types';

const PAUSE_MS = 250;

export type Changes = { [K in keyof Answers]?: Answers[K] | null };

/** Somebody else changed the same answer; both are shown and one is chosen. */
export interface Conflict {
  problem: Problem;
  mine: Changes;
}

export interface IntakeState {
  view: Intake;
  /** What is on the screen: the server's, and what is not sent yet. */
  answers: Answers;
  change: (changes: Changes) => void;
  /** Sends what is waiting; resolves with the view as the server has it. */
  flush: () => Promise<Intake>;
  saved: boolean;
  error: unknown;
  conflict: Conflict | null;
  settle: (keepMine: boolean) => void;
}

/** A draft that is kept at every keystroke: changes are gathered for a moment and sent in order. */
export function useIntake(id: string): IntakeState | { view: undefined; error: unknown } {
  const client = useQueryClient();
  const key = ['intake', id];
  const query = useQuery({
    queryKey: key,
    queryFn: () => told(api.GET('/api/intakes/{id}', { params: { path: { id } } })),
  });
  const [waiting, setWaiting] = useState<Changes>({});
  const [error, setError] = useState<unknown>(null);
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const unsent = useRef<Changes>({});
  /** What was on the screen when the oldest unsent change was made: later ones of others count. */
  const base = useRef<number | null>(null);
  const sending = useRef<Promise<Intake> | null>(null);
  const timer = useRef<number | undefined>(undefined);
  const flush = useCallback(async (): Promise<Intake> => {
    window.clearTimeout(timer.current);
    if (sending.current !== null) await sending.current.catch(() => undefined);
    const view = client.getQueryData<Intake>(key);
    if (view === undefined) throw new Error('nothing to send to');
    const changes = unsent.current;
    if (Object.keys(changes).length === 0) return view;
    const version = base.current ?? view.version;
    unsent.current = {};
    base.current = null;
    const sent = told(
      api.PATCH('/api/intakes/{id}', {
        params: { path: { id } },
        // The description knows an answer only as JSON.
        body: { version, changes: changes as Record<string, never> },
        // The last keystrokes are sent even if the page is being left.
        keepalive: true,
      }),
    );
    sending.current = sent;
    try {
      const after = await sent;
      client.setQueryData(key, after);
      setError(null);
      setWaiting((w) => without(w, changes));
      return after;
    } catch (problem) {
      if (problem instanceof Problem && problem.status === 409) {
        setConflict({ problem, mine: changes });
        setWaiting((w) => without(w, changes));
        await client.invalidateQueries({ queryKey: key });
      } else {
        unsent.current = { ...changes, ...unsent.current }; // kept, and sent with the next
        base.current = version;
        setError(problem);
      }
      throw problem;
    } finally {
      sending.current = null;
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key is the id
  }, [client, id]);

  const change = useCallback(
    (changes: Changes) => {
      base.current ??= client.getQueryData<Intake>(['intake', id])?.version ?? null;
      unsent.current = { ...unsent.current, ...changes };
      setWaiting((w) => ({ ...w, ...changes }));
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => {
        flush().catch(() => undefined); // shown by error or conflict
      }, PAUSE_MS);
    },
    [client, flush, id],
  );

  useEffect(() => {
    const leave = () => {
      flush().catch(() => undefined);
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [flush]);

  if (query.data === undefined) return { view: undefined, error: query.error };
  return {
    view: query.data,
    answers: overlaid(query.data.answers, waiting),
    change,
    flush,
    saved: Object.keys(waiting).length === 0,
    error,
    conflict,
    settle: (keepMine) => {
      const mine = conflict?.mine ?? {};
      setConflict(null);
      if (keepMine) change(mine);
    },
  };
}

/** What is waiting, less what was sent and has not been typed over since. */
function without(waiting: Changes, sent: Changes): Changes {
  return Object.fromEntries(
    Object.entries(waiting).filter(([name, value]) => sent[name as keyof Answers] !== value),
  );
}

function overlaid(answers: Answers, waiting: Changes): Answers {
  const all = { ...answers, ...waiting };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== null)) as Answers;
}
