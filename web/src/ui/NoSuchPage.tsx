import { Link, useLocation } from 'react-router';
import { Page, Sub, Title } from './Sheet';

/** An address that no view has. */
export function NoSuchPage() {
  const { pathname } = useLocation();
  return (
    <Page>
      <Title>There is no page at this address</Title>
      <Sub>
        {pathname} may be mistyped, or the link is old. <Link to="/">Go to the floor</Link>, or
        search for the job above.
      </Sub>
    </Page>
  );
}
