import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { request } from './client';
import type {
  Isolation,
  Battery,
  Colleague,
  Course,
  CustomerLife,
  DataOnDrive,
  DriveData,
  Run,
  EnrolmentCode,
  Floor,
  Found,
  Job,
  KnowHow,
  KnowHowChoices,
  MoveFromElsewhere,
  KnowHowEntry,
  Learnt,
  MakerNote,
  Memory,
  Notice,
  PageBytes,
  PartLife,
  Reading,
  Report,
  Session,
  ModelLivesData,
  StockData,
  DataStatus,
  WaiverSigned,
  Work,
} from './types';

/** Keys under which answers are kept; live events name the same things. */
export const keys = {
  session: ['session'] as const,
  floor: ['floor'] as const,
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
  /** Below its job: what changes the job may change it. */
  memory: (number: string) => ['job', number, 'memory'] as const,
  report: (number: string) => ['job', number, 'report'] as const,
  battery: (number: string) => ['job', number, 'battery'] as const,
  work: (number: string) => ['job', number, 'work'] as const,
  isolation: (number: string, sort: string) => ['job', number, 'isolation', sort] as const,
  stock: ['stock'] as const,
  knowHow: ['know-how'] as const,
  learnt: ['learnt'] as const,
  part: (id: string) => ['part', id] as const,
  customer: (id: string) => ['customer', id] as const,
  found: (text: string) => ['found', text] as const,
};

export const usePeople = () =>
  useQuery({
    queryKey: keys.people,
    queryFn: () => request<Colleague[]>('GET', '/api/people'),
    staleTime: 60_000,
  });

export const useBell = () =>
  useQuery({ queryKey: keys.bell, queryFn: () => request<Notice[]>('GET', '/api/me/notices') });

export const useMakerNotes = (text: string) =>
  useQuery({
    queryKey: [...keys.makers, text],
    queryFn: () => request<MakerNote[]>('GET', `/api/maker-notes?text=${encodeURIComponent(text)}`),
    placeholderData: (before) => before,
  });

export const useMemory = (number: string) =>
  useQuery({
    queryKey: keys.memory(number),
    queryFn: () => request<Memory>('GET', `/api/jobs/${encodeURIComponent(number)}/memory`),
  });

export const useData = (number: string, partKey: string) =>
  useQuery({
    queryKey: keys.data(number, partKey),
    queryFn: () =>
      request<DataOnDrive>(
        'GET',
        `/api/jobs/${encodeURIComponent(number)}/parts/${encodeURIComponent(partKey)}/data`,
      ),
  });

export const useReport = (number: string) =>
  useQuery({
    queryKey: keys.report(number),
    queryFn: () => request<Report>('GET', `/api/jobs/${encodeURIComponent(number)}/report`),
  });

export const useBattery = (number: string) =>
  useQuery({
    queryKey: keys.battery(number),
    queryFn: () => request<Battery>('GET', `/api/jobs/${encodeURIComponent(number)}/battery`),
  });

export const useWork = (number: string) =>
  useQuery({
    queryKey: keys.work(number),
    queryFn: () => request<Work>('GET', `/api/jobs/${encodeURIComponent(number)}/work`),
  });

export const useIsolation = (number: string, sort: Isolation['sort']) =>
  useQuery({
    queryKey: keys.isolation(number, sort),
    queryFn: () =>
      request<Isolation>('GET', `/api/jobs/${encodeURIComponent(number)}/isolations/${sort}`),
  });

export const useKnowHow = (text: string) =>
  useQuery({
    queryKey: [...keys.knowHow, text],
    queryFn: () => request<KnowHow>('GET', `/api/know-how?text=${encodeURIComponent(text)}`),
    placeholderData: (before) => before,
  });

export const useEntry = (subject: string, id: string) =>
  useQuery({
    queryKey: [...keys.knowHow, 'entry', subject, id],
    queryFn: () =>
      request<KnowHowEntry>('GET', `/api/know-how/entries/${subject}/${encodeURIComponent(id)}`),
  });

export const useKnowHowChoices = () =>
  useQuery({
    queryKey: [...keys.knowHow, 'choices'],
    queryFn: () => request<KnowHowChoices>('GET', '/api/know-how/choices'),
  });

/** Other shops' own moves that came with jobs and are not in force here. */
export const useMovesFromElsewhere = () =>
  useQuery({
    queryKey: [...keys.knowHow, 'from-elsewhere'],
    queryFn: () => request<MoveFromElsewhere[]>('GET', '/api/know-how/from-elsewhere'),
  });

/** Drives of one model and how long they lasted. */
export const useModelLives = (model: string) =>
  useQuery({
    queryKey: [...keys.stock, 'model', model],
    queryFn: () =>
      request<ModelLivesData>('GET', `/api/stock/model?model=${encodeURIComponent(model)}`),
  });

export const useStock = (text: string) =>
  useQuery({
    queryKey: [...keys.stock, text],
    queryFn: () => request<StockData>('GET', `/api/stock?text=${encodeURIComponent(text)}`),
    placeholderData: (before) => before,
  });

export const useLearnt = () =>
  useQuery({
    queryKey: keys.learnt,
    queryFn: () => request<Learnt>('GET', '/api/know-how/learnt'),
    staleTime: 60_000,
  });

export const usePart = (id: string) =>
  useQuery({
    queryKey: keys.part(id),
    queryFn: () => request<PartLife>('GET', `/api/parts/${encodeURIComponent(id)}`),
  });

export const useCustomer = (id: string) =>
  useQuery({
    queryKey: keys.customer(id),
    queryFn: () => request<CustomerLife>('GET', `/api/customers/${encodeURIComponent(id)}`),
  });

/** What a few typed characters find; the last answer stays until the next is there. */
export const useFound = (text: string) =>
  useQuery({
    queryKey: keys.found(text),
    queryFn: () => request<Found>('GET', `/api/search?q=${encodeURIComponent(text)}`),
    enabled: text.trim().length > 1,
    placeholderData: (before) => before,
    staleTime: 10_000,
  });

export interface Call {
  method: 'POST' | 'PUT' | 'DELETE';
  path: string;
  body?: unknown;
}

/** Any change of the server's; afterwards what is named is asked for anew. */
export const useCall = <T = undefined>(...stale: readonly (readonly unknown[])[]) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ method, path, body }: Call) => request<T>(method, path, body),
    onSettled: () => Promise.all(stale.map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
};

export const useSession = () =>
  useQuery({
    queryKey: keys.session,
    queryFn: () => request<Session>('GET', '/api/session'),
    staleTime: 60_000,
  });

export const useFloor = () =>
  useQuery({ queryKey: keys.floor, queryFn: () => request<Floor>('GET', '/api/floor') });

export const useJob = (number: string) =>
  useQuery({
    queryKey: keys.job(number),
    queryFn: () => request<Job>('GET', `/api/jobs/${encodeURIComponent(number)}`),
  });

export const useDrive = (number: string, partKey: string) =>
  useQuery({
    queryKey: keys.drive(number, partKey),
    queryFn: () =>
      request<DriveData>(
        'GET',
        `/api/jobs/${encodeURIComponent(number)}/parts/${encodeURIComponent(partKey)}`,
      ),
  });

/** A run while it goes on; live events ask for it anew. */
export const useRun = (id: string | null) =>
  useQuery({
    queryKey: keys.run(id ?? ''),
    queryFn: () => request<Run>('GET', `/api/runs/${id ?? ''}`),
    enabled: id !== null,
  });

/** The bytes of a page with their fields; never changes. */
export const usePageBytes = (reading: string, kind: string) =>
  useQuery({
    queryKey: keys.pageBytes(reading, kind),
    queryFn: () =>
      request<PageBytes>(
        'GET',
        `/api/readings/${encodeURIComponent(reading)}/pages/${encodeURIComponent(kind)}`,
      ),
    staleTime: Infinity,
  });

/** Raw evidence never changes, so a reading is fetched once. */
export const useReading = (id: string) =>
  useQuery({
    queryKey: keys.reading(id),
    queryFn: () => request<Reading>('GET', `/api/readings/${encodeURIComponent(id)}`),
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

export const useSignIn = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (who: { name: string; password: string }) =>
      request<Session>('POST', '/api/session', who),
    onSuccess: async () => {
      // Signing in changes the CSRF token as well: asking again fetches the new one.
      await client.resetQueries();
    },
  });
};

export const useSignOut = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => request<undefined>('DELETE', '/api/session'),
    onSuccess: () => client.resetQueries(),
  });
};

const useJobChange = <T>(number: string, path: string) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: T) =>
      request<undefined>('POST', `/api/jobs/${encodeURIComponent(number)}/${path}`, body),
    onSettled: () => client.invalidateQueries({ queryKey: keys.job(number) }),
  });
};

export const useReadPart = (number: string) =>
  useJobChange<{ partKey: string }>(number, 'readings');

export const useSayDataStatus = (number: string) =>
  useJobChange<{ version: number; dataStatus: DataStatus }>(number, 'data-status');

export const useSignAway = (number: string) => useJobChange<WaiverSigned>(number, 'waivers');

/** Confirms a waiver, or takes it back. */
export const useWaiverStep = (number: string) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (w: { id: number; step: 'confirm' | 'revoke'; version: number }) =>
      request<undefined>(
        'POST',
        `/api/jobs/${encodeURIComponent(number)}/waivers/${w.id}/${w.step}`,
        { version: w.version },
      ),
    onSettled: () => client.invalidateQueries({ queryKey: keys.job(number) }),
  });
};

export const useSignDecision = (number: string) =>
  useJobChange<{ version: number; courses: Course[]; reason: string }>(number, 'decisions');

export const useEnrolmentCode = (bay: number) =>
  useMutation({
    mutationFn: () => request<EnrolmentCode>('POST', `/api/bays/${bay}/enrolment-codes`, {}),
  });

export const useRevokeProbe = (bay: number) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => request<undefined>('DELETE', `/api/bays/${bay}/probe`),
    onSettled: () => client.invalidateQueries(),
  });
};
