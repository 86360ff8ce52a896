import { useEffect, useState } from 'react';
import { Outlet, useLocation } from 'react-router';
import styled from 'styled-components';
import { useSession } from '../api/queries';
import { useLive } from '../api/useLive';
import { color } from '../theme/theme';
import { Page } from '../ui/Sheet';
import { ProblemNote } from '../ui/ProblemNote';
import { SignInView } from '../views/sign-in/SignInView';
import { Band } from './Band';

/** What stands around every view: the sign-in or the band, and whether the view is live. */
export function Shell() {
  const session = useSession();
  const person = session.data?.person ?? null;
  const live = useLive(person !== null);
  const wall = useLocation().pathname === '/wall';
  const [wasSignedIn, setWasSignedIn] = useState(false);
  if (person !== null && !wasSignedIn) setWasSignedIn(true);
  useEffect(() => {
    document.title = person === null ? 'Sign in – Tekmerion' : 'Tekmerion';
  }, [person]);
  if (session.isPending) return <Page aria-busy="true" />;
  if (session.isError) {
    return (
      <Page>
        <ProblemNote error={session.error} />
      </Page>
    );
  }
  if (person === null) return <SignInView ended={wasSignedIn} />;
  return (
    <>
      {!wall && <Band person={person} here={session.data.here} />}
      {!live && (
        <Stale role="status">
          The server does not send changes at the moment. What you see may be old; it catches up by
          itself.
        </Stale>
      )}
      <Outlet />
    </>
  );
}

const Stale = styled.p`
  background: ${color.leanSoft};
  border-bottom: 2px solid ${color.leanMark};
  padding: 8px 18px;
`;
