import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useEntry, useKnowHowChoices, useSession } from '../../api/queries';
import type { KnowHowChange, KnowHowChoices, KnowHowEntry } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { TwoColumns } from '../../ui/Layout';
import { when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { NoSuchPage } from '../../ui/NoSuchPage';
import { Lead, Page, Sheet, SheetHead, Sub, Title } from '../../ui/Sheet';
import { again, changeOf } from './draft';
import { Editor } from './Editors';
import { Proposal } from './Proposal';

const WORDS: Record<KnowHowEntry['subject'], string> = {
  CAUSE: t('web.know-how.entry-view.cause'),
  FINDING: t('web.know-how.entry-view.finding'),
  MOVE: t('web.know-how.entry-view.move'),
  REMEDY: t('web.know-how.entry-view.remedy'),
};

/** One entry of the know-how: what it says, what it said, and by whom and why it was changed. */
export function EntryView() {
  const { subject = '', id = '' } = useParams();
  return isSubject(subject) ? <OfSubject subject={subject} id={id} /> : <NoSuchPage />;
}

const isSubject = (subject: string): subject is KnowHowEntry['subject'] => subject in WORDS;

function OfSubject({ subject, id }: { subject: KnowHowEntry['subject']; id: string }) {
  const entry = useEntry(subject, id);
  const choices = useKnowHowChoices();
  return (
    <Page>
      <Loaded query={entry}>
        {(data) => (
          <Loaded query={choices}>
            {(all) => <Shown key={`${data.id} ${data.version}`} entry={data} choices={all} />}
          </Loaded>
        )}
      </Loaded>
    </Page>
  );
}

function Shown({ entry, choices }: { entry: KnowHowEntry; choices: KnowHowChoices }) {
  const isLead = useSession().data?.person?.role === 'LEAD';
  const [change, setChange] = useState<KnowHowChange | null>(null);
  return (
    <>
      <Title>
        {entry.name.replace('{part}', t('web.know-how.entry-view.the-part'))}: {state(entry)}
      </Title>
      <Sub>
        {say('web.know-how.entry-view.a-of-the-know-how', {
          WORDS: WORDS[entry.subject],
          link: (words: ReactNode) => <Link to="/know-how">{words}</Link>,
          value: entry.source !== null && (
            <>{t('web.know-how.entry-view.its-numbers', { source: entry.source })}</>
          ),
        })}
      </Sub>
      <Columns $side="minmax(0, 40%)">
        {change === null ? (
          <Sheet>
            <SheetHead>
              <Lead>{t('web.know-how.entry-view.what-it-says')}</Lead>
            </SheetHead>
            <fieldset disabled={!isLead}>
              <Editor entry={entry} choices={choices} onPropose={setChange} />
            </fieldset>
            {!isLead && <Only>{t('web.know-how.entry-view.changed-by-a-lead-only')}</Only>}
          </Sheet>
        ) : (
          <Proposal
            change={change}
            version={entry.version}
            onDone={() => setChange(null)}
            onDrop={() => setChange(null)}
          />
        )}
        <Sheet>
          <SheetHead>
            <Lead>{t('web.know-how.entry-view.what-it-said-before')}</Lead>
            {isLead && entry.ships && entry.version > 0 && (
              <Button
                onPress={() =>
                  setChange(changeOf('AS_SHIPPED', entry.id, { subject: entry.subject }))
                }
              >
                {t('web.know-how.entry-view.back-to-what-ships')}
              </Button>
            )}
          </SheetHead>
          <History entry={entry} onAgain={isLead ? setChange : undefined} />
        </Sheet>
      </Columns>
    </>
  );
}

function state(entry: KnowHowEntry): string {
  if (entry.aside) return t('web.know-how.entry-view.set-aside-not-offered-here');
  const last = entry.history.at(-1);
  if (last === undefined) return t('web.know-how.entry-view.as-it-ships');
  if (last.change.what === 'AS_SHIPPED') return t('web.know-how.entry-view.as-it-ships-again');
  return t('web.know-how.entry-view.by', { ships: entry.ships, by: last.by, when: when(last.at) });
}

interface HistoryProps {
  entry: KnowHowEntry;
  onAgain: ((change: KnowHowChange) => void) | undefined;
}

function History({ entry, onAgain }: HistoryProps) {
  if (entry.history.length === 0) {
    return <Only>{t('web.know-how.entry-view.nothing-else-nobody-has-changed-it')}</Only>;
  }
  return (
    <Versions>
      {[...entry.history].reverse().map((version) => {
        const back = version.version === entry.version ? null : again(entry, version.change);
        return (
          <li key={version.version}>
            <b>
              {t('web.know-how.entry-view.version', {
                version: version.version,
                reason: version.reason,
              })}
            </b>
            <small>
              {version.by}, {when(version.at)}
            </small>
            {version.leftOut !== null && (
              <small role="alert">
                {t('web.know-how.entry-view.not-in-force-change-it-again', {
                  leftOut: version.leftOut,
                })}
              </small>
            )}
            <dl>
              {version.differences.map((d) => (
                <div key={d.field}>
                  <dt>{d.field}</dt>
                  <dd>
                    {d.before === '' ? t('web.know-how.entry-view.nothing') : d.before} →{' '}
                    {d.after === '' ? t('web.know-how.entry-view.nothing') : d.after}
                  </dd>
                </div>
              ))}
            </dl>
            {back !== null && onAgain !== undefined && (
              <Button onPress={() => onAgain(back)}>
                {t('web.know-how.entry-view.as-in-version', { version: version.version })}
              </Button>
            )}
          </li>
        );
      })}
    </Versions>
  );
}

const Columns = styled(TwoColumns)`
  fieldset {
    border: 0;
    padding: 0;
    min-width: 0;
  }
`;

const Only = styled.p`
  padding: 0 16px 16px;
  color: ${color.ink2};
`;

const Versions = styled.ul`
  li {
    display: grid;
    gap: 4px;
    justify-items: start;
    padding: 10px 16px;
    border-top: 1px solid ${color.line};
  }
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  small[role='alert'] {
    color: ${color.implicated};
  }
  dl {
    font-size: ${size.text};
    display: grid;
    gap: 2px;
  }
  dl div {
    display: flex;
    flex-wrap: wrap;
    gap: 0 8px;
  }
  dt {
    color: ${color.ink2};
  }
  dd {
    margin: 0;
    overflow-wrap: anywhere;
  }
`;
