import { t } from '../../words/words';
import styled from 'styled-components';
import { useAuthority } from '../../api/queries';
import { size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { day } from '../../ui/format';
import { Stack } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { save } from '../../ui/save';
import { Mono, Page, Sheet, Sub, Title } from '../../ui/Sheet';

/** For whoever brings a browser: by which authority this server is known. */
export function AuthorityView() {
  const authority = useAuthority();
  return (
    <Loaded query={authority}>
      {(own) => (
        <Page>
          <Title>{t('web.authority.authority-view.title')}</Title>
          {own === null ? (
            <Sub>{t('web.authority.authority-view.none')}</Sub>
          ) : (
            <>
              <Sub>{t('web.authority.authority-view.lead')}</Sub>
              <Card>
                <Stack>
                  <p>{t('web.authority.authority-view.compare')}</p>
                  <Digits>{inFours(own.fingerprint)}</Digits>
                  <p>
                    {t('web.authority.authority-view.valid-until', {
                      name: own.name,
                      day: day(own.validUntil),
                    })}
                  </p>
                  <div>
                    <Button
                      primary
                      onPress={() => save('tekmerion authority', 'crt', CERTIFICATE, own.pem)}
                    >
                      {t('web.authority.authority-view.save')}
                    </Button>
                  </div>
                  <p>{t('web.authority.authority-view.then')}</p>
                </Stack>
              </Card>
            </>
          )}
        </Page>
      )}
    </Loaded>
  );
}

const CERTIFICATE = 'application/x-x509-ca-cert';

/** Digits that two people can read to each other. */
const inFours = (fingerprint: string) =>
  fingerprint.replace(/^sha256:/, '').replace(/(.{4})(?=.)/g, '$1 ');

const Card = styled(Sheet)`
  max-width: 720px;
  margin-top: 14px;
  padding: 16px;
`;

const Digits = styled(Mono)`
  font-size: ${size.head};
  overflow-wrap: anywhere;
`;
