import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { request } from './client';
import type { Course, EnrolmentCode, Floor, Job, Reading, Session, Stance } from './types';

/** Keys under which answers are kept; live events name the same things. */
export const keys = {
  session: ['session'] as const,
  floor: ['floor'] as const,
  job: (number: string) => ['job', number] as const,
  progress: (number: string) => ['progress', number] as const,
  reading: (id: string) => ['reading', id] as const,
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

export const useReadDrive = (number: string) =>
  useJobChange<{ driveKey: string }>(number, 'readings');

export const useSayStance = (number: string) =>
  useJobChange<{ version: number; stance: Stance; signer: string | null }>(number, 'stance');

export const useSignRuling = (number: string) =>
  useJobChange<{ version: number; courses: Course[]; reason: string }>(number, 'rulings');

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
