import { useState } from 'react';
import { DropZone, FileTrigger, Text, type DropItem } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useAuthority, useFloor, useLookAtStick, useStick } from '../../api/queries';
import type { StickContent } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Page, Sheet, SheetHead, Sub, Teach, Title } from '../../ui/Sheet';
import { say, t } from '../../words/words';
import { Visit } from './Visit';

/** How the file is called that a stick keeps captures in. */
const FILE = 'kept.tek';

/** What a stick kept where there was no network, and putting it into jobs. */
export function StickView() {
  const [store, setStore] = useState<File | null>(null);
  const look = useLookAtStick();
  const read = (file: File) => {
    setStore(file);
    look.mutate(file);
  };
  return (
    <Page>
      <Title>{title(look.data)}</Title>
      <Sub>{t('web.stick.lead')}</Sub>
      <Zone
        aria-label={t('web.stick.drop', { file: FILE })}
        onDrop={(event) => void dropped(event.items).then((file) => file && read(file))}
      >
        <Text slot="label">{t('web.stick.drop', { file: FILE })}</Text>
        <FileTrigger
          onSelect={(files) => {
            const file = files?.[0];
            if (file !== undefined) read(file);
          }}
        >
          <Button primary={look.data === undefined} isPending={look.isPending}>
            {look.isPending ? t('web.stick.reading') : t('web.stick.choose')}
          </Button>
        </FileTrigger>
      </Zone>
      {look.isError && <ProblemNote error={look.error} />}
      {look.data !== undefined && store !== null && (
        <Visits content={look.data} store={store} onTaken={() => look.mutate(store)} />
      )}
      <Making />
    </Page>
  );
}

function title(content: StickContent | undefined): string {
  if (content === undefined) return t('web.stick.title');
  const open = content.visits.filter((visit) => visit.takenInto === null).length;
  return t('web.stick.title-of', { visits: content.visits.length, open });
}

interface VisitsProps {
  content: StickContent;
  store: File;
  onTaken: () => void;
}

function Visits({ content, store, onTaken }: VisitsProps) {
  const floor = useFloor();
  return (
    <>
      {content.unopened > 0 && (
        <p role="status">{t('web.stick.unopened', { count: content.unopened })}</p>
      )}
      <Loaded query={floor}>
        {({ jobs }) => (
          <List aria-label={t('web.stick.visits')}>
            {content.visits.map((visit) => (
              <li key={visit.id}>
                <Visit visit={visit} store={store} jobs={jobs} onTaken={onTaken} />
              </li>
            ))}
          </List>
        )}
      </Loaded>
    </>
  );
}

/** The whole command, so that nobody has to copy two long numbers from somewhere else. */
function Making() {
  const stick = useStick();
  const authority = useAuthority();
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.stick.make')}</Lead>
      </SheetHead>
      <Inside>
        <Loaded query={stick}>
          {({ key }) =>
            key === null ? (
              <p>{t('web.stick.no-key')}</p>
            ) : (
              <Command>
                {t('web.stick.command', {
                  link:
                    authority.data == null
                      ? ''
                      : t('web.stick.command-link', {
                          origin: window.location.origin,
                          authority: authority.data.fingerprint,
                        }),
                  key,
                })}
              </Command>
            )
          }
        </Loaded>
        <Teach>
          {say('web.stick.then', {
            intake: (words) => <Link to="/intake">{words}</Link>,
          })}
        </Teach>
      </Inside>
    </Sheet>
  );
}

async function dropped(items: DropItem[]): Promise<File | undefined> {
  const file = items.find((item) => item.kind === 'file');
  return file?.kind === 'file' ? file.getFile() : undefined;
}

const Zone = styled(DropZone)`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  margin: 12px 0 14px;
  padding: 14px 16px;
  border: 2px dashed ${color.line};
  border-radius: ${radius};
  &[data-drop-target] {
    border-color: ${color.clear};
    background: ${color.clearSoft};
  }
  &[data-focus-visible] {
    outline: 2px solid ${color.clear};
  }
`;

const List = styled.ul`
  display: grid;
  gap: 12px;
  margin: 0 0 14px;
  padding: 0;
  list-style: none;
`;

const Inside = styled.div`
  display: grid;
  gap: 8px;
  padding: 0 16px 14px;
`;

const Command = styled.code`
  display: block;
  font-size: ${size.small};
  overflow-wrap: anywhere;
`;
