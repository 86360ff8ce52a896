import { useQuery } from '@tanstack/react-query';
import { Navigate, useParams } from 'react-router';
import { api, told } from '../../api/client';
import { Loaded } from '../../ui/Loaded';

/** The conversation that a job came from. */
export function OfJob() {
  const { number = '' } = useParams();
  const intake = useQuery({
    queryKey: ['intakeOf', number],
    queryFn: () => told(api.GET('/api/jobs/{number}/intake', { params: { path: { number } } })),
  });
  return <Loaded query={intake}>{(data) => <Navigate to={`/intake/${data.id}`} replace />}</Loaded>;
}
