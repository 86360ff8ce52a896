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
    <Modal title={`${job.number} is taken in`} isOpen onClose={close}>
      <p>
        {job.machine} of {job.customer}. The label opens in a tab of its own and prints; stick it on
        the machine, and on what was left with it.
      </p>
      <Row>
        <Button primary autoFocus onPress={() => printLabel(job.number)}>
          Print the label
        </Button>
        <Button onPress={() => void navigate('/')}>To the floor</Button>
        <Button onPress={() => void navigate('/intake')}>Next customer</Button>
        <Button onPress={close}>Stay with the job</Button>
      </Row>
    </Modal>
  );
}
