import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, asFile, Problem, told } from './client';
import { shopClockShows } from '../ui/now';
import { changeTo } from '../words/languages';
import { fetchJob } from './job';
import type {
  Approval,
  DataStatus,
  Isolation,
  Job,
  KnowHowEntry,
  Person,
  WaiverSigned,
} from './types';

/** Keys under which answers are kept; live events name the same things. */
export const keys = {
  session: ['session'] as const,
  floor: ['floor'] as const,
  knocks: ['knocks'] as const,
  stick: ['stick'] as const,
  job: (number: string) => ['job', number] as const,
  progress: (number: string) => ['progress', number] as const,
  /** Below its job: what changes the job changes its drives. */
  drive: (number: string, partKey: string) => ['job', number, 'drive', partKey] as const,
  /** Below its job likewise. */
  data: (number: string, partKey: string) => ['job', number, 'data', partKey] as const,
  run: (id: string) => ['run', id] as const,
  pageBytes: (reading: string, kind: string) => ['page', reading, kind] as const,
  reading: (id: string) => ['reading', id] as const,
  people: ['people'] as const,
  bell: ['bell'] as const,
  makers: ['makers'] as const,
  authority: ['authority'] as const,
  /** Below its job: what changes the job may change it. */
  memory: (number: string) => ['job', number, 'memory'] as const,
  report: (number: string) => ['job', number, 'report'] as const,
  battery: (number: string) => ['job', number, 'battery'] as const,
  work: (number: string) => ['job', number, 'work'] as const,
  isolation: (number: string, sort: string) => ['job', number, 'isolation', sort] as const,
  /** Below its job likewise, each plan of one's own for itself. */
  plans: (number: string, own: readonly string[]) =>
    ['job', number, 'plans', own.join('+')] as const,
  estimates: (number: string) => ['job', number, 'estimates'] as const,
  prices: ['prices'] as const,
  stock: ['stock'] as const,
  records: ['records'] as const,
  knowHow: ['know-how'] as const,
  learnt: ['learnt'] as const,
  part: (id: string) => ['part', id] as const,
  customer: (id: string) => ['customer', id] as const,
  found: (text: string) => ['found', text] as const,
};

export const usePeople = () =>
  useQuery({
    queryKey: keys.people,
    queryFn: () => told(api.GET('/api/people')),
    staleTime: 60_000,
  });

export const useBell = () =>
  useQuery({ queryKey: keys.bell, queryFn: () => told(api.GET('/api/me/notices')) });

export const useMakerNotes = (text: string) =>
  useQuery({
    queryKey: [...keys.makers, text],
    queryFn: () => told(api.GET('/api/maker-notes', { params: { query: { text } } })),
    placeholderData: (before) => before,
  });

export const useMemory = (number: string) =>
  useQuery({
    queryKey: keys.memory(number),
    queryFn: () => told(api.GET('/api/jobs/{number}/memory', { params: { path: { number } } })),
  });

export const useData = (number: string, partKey: string) =>
  useQuery({
    queryKey: keys.data(number, partKey),
    queryFn: () =>
      told(
        api.GET('/api/jobs/{number}/parts/{partKey}/data', {
          params: { path: { number, partKey } },
        }),
      ),
  });

export const useReport = (number: string) =>
  useQuery({
    queryKey: keys.report(number),
    queryFn: () => told(api.GET('/api/jobs/{number}/report', { params: { path: { number } } })),
  });

export const useBattery = (number: string) =>
  useQuery({
    queryKey: keys.battery(number),
    queryFn: () => told(api.GET('/api/jobs/{number}/battery', { params: { path: { number } } })),
  });

export const useWork = (number: string) =>
  useQuery({
    queryKey: keys.work(number),
    queryFn: () => told(api.GET('/api/jobs/{number}/work', { params: { path: { number } } })),
  });

export const useIsolation = (number: string, sort: Isolation['sort']) =>
  useQuery({
    queryKey: keys.isolation(number, sort),
    queryFn: () =>
      told(api.GET('/api/jobs/{number}/isolations/{sort}', { params: { path: { number, sort } } })),
  });

export const useKnowHow = (text: string) =>
  useQuery({
    queryKey: [...keys.knowHow, text],
    queryFn: () => told(api.GET('/api/know-how', { params: { query: { text } } })),
    placeholderData: (before) => before,
  });

export const useEntry = (subject: KnowHowEntry['subject'], id: string) =>
  useQuery({
    queryKey: [...keys.knowHow, 'entry', subject, id],
    queryFn: () =>
      told(api.GET('/api/know-how/entries/{subject}/{id}', { params: { path: { subject, id } } })),
  });

export const useKnowHowChoices = () =>
  useQuery({
    queryKey: [...keys.knowHow, 'choices'],
    queryFn: () => told(api.GET('/api/know-how/choices')),
  });

/** Other shops' own moves that came with jobs and are not in force here. */
export const useMovesFromElsewhere = () =>
  useQuery({
    queryKey: [...keys.knowHow, 'from-elsewhere'],
    queryFn: () => told(api.GET('/api/know-how/from-elsewhere')),
  });

/** Drives of one model and how long they lasted. */
export const useModelLives = (model: string) =>
  useQuery({
    queryKey: [...keys.stock, 'model', model],
    queryFn: () => told(api.GET('/api/stock/model', { params: { query: { model } } })),
  });

export const useRecords = (from: string, to: string) =>
  useQuery({
    queryKey: [...keys.records, from, to],
    queryFn: () => told(api.GET('/api/records', { params: { query: { from, to } } })),
  });

export const useStock = (text: string) =>
  useQuery({
    queryKey: [...keys.stock, text],
    queryFn: () => told(api.GET('/api/stock', { params: { query: { text } } })),
    placeholderData: (before) => before,
  });

export const useLearnt = () =>
  useQuery({
    queryKey: keys.learnt,
    queryFn: () => told(api.GET('/api/know-how/learnt')),
    staleTime: 60_000,
  });

export const usePart = (id: string) =>
  useQuery({
    queryKey: keys.part(id),
    queryFn: () => told(api.GET('/api/parts/{id}', { params: { path: { id: Number(id) } } })),
  });

export const useCustomer = (id: string) =>
  useQuery({
    queryKey: keys.customer(id),
    queryFn: () => told(api.GET('/api/customers/{id}', { params: { path: { id: Number(id) } } })),
  });

/** What a few typed characters find; the last answer stays until the next is there. */
export const useFound = (text: string) =>
  useQuery({
    queryKey: keys.found(text),
    queryFn: () => told(api.GET('/api/search', { params: { query: { q: text } } })),
    enabled: text.trim().length > 1,
    placeholderData: (before) => before,
    staleTime: 10_000,
  });

/** Any change of the server's; afterwards what is named is asked for anew. */
export const useCall = <T = unknown>(...stale: readonly (readonly unknown[])[]) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (send: () => Promise<{ data?: T }>) => told(send()),
    onSettled: () => Promise.all(stale.map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
};

export const useSession = () =>
  useQuery({
    queryKey: keys.session,
    queryFn: async () => {
      const session = await told(api.GET('/api/session'));
      shopClockShows(session.now);
      changeTo(session.person?.language?.toLowerCase() ?? null);
      return session;
    },
    staleTime: 60_000,
  });

/** The shop's own certificate authority; null where the server has none. */
export const useAuthority = () =>
  useQuery({
    queryKey: keys.authority,
    queryFn: async () => {
      try {
        return await told(api.GET('/api/authority'));
      } catch (error) {
        if (error instanceof Problem && error.status === 404) return null;
        throw error;
      }
    },
    staleTime: Infinity,
  });

export const useFloor = () =>
  useQuery({ queryKey: keys.floor, queryFn: () => told(api.GET('/api/floor')) });

export const useJob = (number: string) =>
  useQuery({
    queryKey: keys.job(number),
    queryFn: ({ client }) => fetchJob(number, client.getQueryData<Job>(keys.job(number))),
  });

/** @param partKey empty for none: nothing is asked for then */
export const useDrive = (number: string, partKey: string) =>
  useQuery({
    enabled: partKey !== '',
    queryKey: keys.drive(number, partKey),
    queryFn: () =>
      told(
        api.GET('/api/jobs/{number}/parts/{partKey}', { params: { path: { number, partKey } } }),
      ),
  });

/** A run while it goes on; live events ask for it anew. */
export const useRun = (id: string | null) =>
  useQuery({
    queryKey: keys.run(id ?? ''),
    queryFn: () => told(api.GET('/api/runs/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== null,
  });

/** The bytes of a page with their fields; never changes. */
export const usePageBytes = (reading: string, kind: string) =>
  useQuery({
    queryKey: keys.pageBytes(reading, kind),
    queryFn: () =>
      told(
        api.GET('/api/readings/{readingId}/pages/{kind}', {
          params: { path: { readingId: reading, kind } },
        }),
      ),
    staleTime: Infinity,
  });

/** Raw evidence never changes, so a reading is fetched once. */
export const useReading = (id: string) =>
  useQuery({
    queryKey: keys.reading(id),
    queryFn: () => told(api.GET('/api/readings/{id}', { params: { path: { id } } })),
    staleTime: Infinity,
  });

/** How far a running command has come; only ever set by live events. */
export interface Progress {
  requestId: string;
  done: number;
  of: number;
  words: string;
}

export const useProgress = (number: string) =>
  useQuery<Progress | null>({
    queryKey: keys.progress(number),
    queryFn: () => null,
    staleTime: Infinity,
  });

/**
 * Signs a person in.
 * @param stays whose views are still open: if that person comes back, they stay as they are
 */
export const useSignIn = (stays: Person | null = null) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (who: { name: string; password: string }) =>
      told(api.POST('/api/session', { body: who })),
    onSuccess: async (now) => {
      // Signing in changes the CSRF token as well: asking again fetches the new one.
      if (stays !== null && now.person?.id === stays.id) await client.invalidateQueries();
      else await client.resetQueries();
    },
  });
};

export const useSignOut = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => api.DELETE('/api/session'),
    onSuccess: () => client.resetQueries(),
  });
};

/** A change of a job, by what it takes. */
const useJobChange = <B>(number: string, send: (body: B) => Promise<{ data?: unknown }>) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: B) => told(send(body)),
    onSettled: () => client.invalidateQueries({ queryKey: keys.job(number) }),
  });
};

export const useReadPart = (number: string) =>
  useJobChange(number, (body: { partKey: string }) =>
    api.POST('/api/jobs/{number}/readings', { params: { path: { number } }, body }),
  );

export const useSayDataStatus = (number: string) =>
  useJobChange(number, (body: { version: number; dataStatus: DataStatus }) =>
    api.POST('/api/jobs/{number}/data-status', { params: { path: { number } }, body }),
  );

export const useSignAway = (number: string) =>
  useJobChange(number, (body: WaiverSigned) =>
    api.POST('/api/jobs/{number}/waivers', { params: { path: { number } }, body }),
  );

/** Confirms a waiver, or takes it back. */
export const useWaiverStep = (number: string) =>
  useJobChange(number, (w: { id: number; step: 'confirm' | 'revoke'; version: number }) =>
    api.POST(`/api/jobs/{number}/waivers/{id}/${w.step}`, {
      params: { path: { number, id: w.id } },
      body: { version: w.version },
    }),
  );

/** What can be decided, with a plan of one's own; while it is asked for, the last answer stands. */
export const usePlans = (number: string, own: readonly string[]) =>
  useQuery({
    queryKey: keys.plans(number, own),
    queryFn: () =>
      told(
        api.GET('/api/jobs/{number}/plans', {
          params: { path: { number }, query: own.length === 0 ? {} : { own: [...own] } },
        }),
      ),
    placeholderData: (before) => before,
  });

export const useEstimates = (number: string) =>
  useQuery({
    queryKey: keys.estimates(number),
    queryFn: () => told(api.GET('/api/jobs/{number}/estimates', { params: { path: { number } } })),
  });

export const useMakeEstimate = (number: string) =>
  useJobChange(number, (body: { version: number; remedies: string[] }) =>
    api.POST('/api/jobs/{number}/estimates', { params: { path: { number } }, body }),
  );

export const useAnswerEstimate = (number: string, id: number) =>
  useJobChange(
    number,
    (body: {
      version: number;
      how: Approval['how'];
      signer: string;
      upTo: number | null;
      note: string;
    }) =>
      api.POST('/api/jobs/{number}/estimates/{id}/answers', {
        params: { path: { number, id } },
        body,
      }),
  );

export const useSignDecision = (number: string) =>
  useJobChange(number, (body: { version: number; remedies: string[]; reason: string }) =>
    api.POST('/api/jobs/{number}/decisions', {
      params: { path: { number } },
      body: { ...body, courses: null },
    }),
  );

export const usePrices = () =>
  useQuery({ queryKey: keys.prices, queryFn: () => told(api.GET('/api/prices')) });

export const useEnrolmentCode = (bay: number) =>
  useMutation({
    mutationFn: () =>
      told(api.POST('/api/bays/{number}/enrolment-codes', { params: { path: { number: bay } } })),
  });

/** Machines that ask to be let in; asked again while one does, as none says that it went. */
export const useKnocks = () =>
  useQuery({
    queryKey: keys.knocks,
    queryFn: () => told(api.GET('/api/knocks')),
    refetchInterval: (query) => ((query.state.data?.length ?? 0) > 0 ? 5_000 : false),
  });

/** Both answers that a machine that knocks can get. */
export const useAnswerKnock = (id: string) => {
  const client = useQueryClient();
  const params = { path: { id } };
  const onSettled = () => client.invalidateQueries();
  const letIn = useMutation({
    mutationFn: (body: { digits: string; bay: number; job: string | null }) =>
      told(api.POST('/api/knocks/{id}/let-in', { params, body })),
    onSettled,
  });
  const turnAway = useMutation({
    mutationFn: () => told(api.POST('/api/knocks/{id}/turn-away', { params })),
    onSettled,
  });
  return { letIn, turnAway };
};

/** By which key sticks of this shop are made; null if the server has none. */
export const useStick = () =>
  useQuery({ queryKey: keys.stick, queryFn: () => told(api.GET('/api/stick')) });

/** What is in the file of a stick; nothing of it is kept. */
export const useLookAtStick = () =>
  useMutation({
    mutationFn: (store: File) => told(api.POST('/api/stick/visits', asFile(bytesOf(store)))),
  });

/** Takes one visit of a stick into a job. */
export const useTakeVisit = (id: string) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ store, job }: { store: File; job: string }) =>
      told(
        api.POST('/api/jobs/{number}/stick-visits/{id}', {
          params: { path: { number: job, id } },
          ...asFile(bytesOf(store)),
        }),
      ),
    onSettled: () => client.invalidateQueries(),
  });
};

/** Browsers guess a type by the name. */
const bytesOf = (file: File) => new File([file], file.name, { type: 'application/octet-stream' });

export const useRevokeProbe = (bay: number) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => api.DELETE('/api/bays/{number}/probe', { params: { path: { number: bay } } }),
    onSettled: () => client.invalidateQueries(),
  });
};
