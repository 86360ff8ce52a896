import { useQuery } from '@tanstack/react-query';
import { Navigate, useParams } from 'react-router';
import { request } from '../../api/client';
import type { Intake } from '../../api/types';
import { Loaded } from '../../ui/Loaded';

/** The conversation that a job came from. */
export function OfJob() {
  const { number = '' } = useParams();
  const intake = useQuery({
    queryKey: ['intakeOf', number],
    queryFn: () => request<Intake>('GET', `/api/jobs/${encodeURIComponent(number)}/intake`),
  });
  return <Loaded query={intake}>{(data) => <Navigate to={`/intake/${data.id}`} replace />}</Loaded>;
}
