import { say, t } from '../words/words';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { Page, Sub, Title } from './Sheet';

/** An address that no view has. */
export function NoSuchPage() {
  const { pathname } = useLocation();
  return (
    <Page>
      <Title>{t('web.ui.no-such-page.there-is-no-page-at-this')}</Title>
      <Sub>
        {say('web.ui.no-such-page.may-be-mistyped-or-the-link', {
          pathname,
          link: (words: ReactNode) => <Link to="/">{words}</Link>,
        })}
      </Sub>
    </Page>
  );
}
