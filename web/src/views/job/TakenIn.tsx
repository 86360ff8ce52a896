import { t } from '../../words/words';
import { useLocation, useNavigate } from 'react-router';
import type { Job } from '../../api/types';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { printLabel } from './printLabel';
import { Row } from '../../ui/Layout';

/** Right after intake: the label is printed and the counter goes on. */
export function TakenIn({ job }: { job: Job }) {
  const { state, pathname } = useLocation() as {
    state: { takenIn?: boolean } | null;
    pathname: string;
  };
  const navigate = useNavigate();
  const fresh = state?.takenIn === true;
  if (!fresh) return null;
  const close = () => void navigate(pathname, { replace: true, state: null });
  return (
    <Modal title={t('web.job.taken-in.is-taken-in', { number: job.number })} isOpen onClose={close}>
      <p>
        {t('web.job.taken-in.of-the-label-opens-in-a', {
          machine: job.machine,
          customer: job.customer,
        })}
      </p>
      <Row>
        <Button primary autoFocus onPress={() => printLabel(job.number)}>
          {t('web.job.taken-in.print-the-label')}
        </Button>
        <Button onPress={() => void navigate('/')}>{t('web.job.taken-in.to-the-floor')}</Button>
        <Button onPress={() => void navigate('/intake')}>
          {t('web.job.taken-in.next-customer')}
        </Button>
        <Button onPress={close}>{t('web.job.taken-in.stay-with-the-job')}</Button>
      </Row>
    </Modal>
  );
}
