import { say, t } from '../../words/words';
import { Link, useParams } from 'react-router';
import { useIsolation } from '../../api/queries';
import type { Isolation } from '../../api/types';
import { ofHundred } from '../../ui/format';
import { Back, TwoColumns } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Page, Sub, Title } from '../../ui/Sheet';
import { NameThings } from './NameThings';
import { SORTS, sortOf } from './sorts';
import { Suspects } from './Suspects';
import { Tries } from './Tries';

/** Things put in and out of play, start by start, until one is to blame. */
export function IsolateView() {
  const { number = '', sort = '' } = useParams();
  const which = sortOf(sort);
  const isolation = useIsolation(number, which);
  return (
    <Loaded query={isolation}>
      {(data) => (
        <Page>
          <Back to={`/job/${data.number}`}>
            ‹ {data.number} {data.machine}
          </Back>
          <Title>{titleOf(data)}</Title>
          <Sub>
            {say('web.isolate.isolate-view.an-innocent-one-is-named-in', {
              ofHundred: ofHundred(data.error),
              filter: SORTS.filter((s) => s.sort !== data.sort).map((s, i) => (
                <span key={s.path}>
                  {i > 0 && ', '}
                  <Link to={`/isolate/${data.number}/${s.path}`}>{s.words}</Link>
                </span>
              )),
            })}
          </Sub>
          {data.things.length === 0 ? (
            <NameThings key={data.sort} isolation={data} />
          ) : (
            <TwoColumns>
              <Tries key={`${data.sort} ${data.version}`} isolation={data} />
              <Suspects isolation={data} />
            </TwoColumns>
          )}
        </Page>
      )}
    </Loaded>
  );
}

/** The finding, not the type. */
export function titleOf(data: Isolation): string {
  if (data.things.length === 0)
    return t('web.isolate.isolate-view.what-is-there', { title: data.title });
  if (data.named !== null) {
    return data.named === 'none of these'
      ? t('web.isolate.isolate-view.it-is-none-of-these')
      : t('web.isolate.isolate-view.it-is', { named: data.named });
  }
  if (data.starts.length === 0) return t('web.isolate.isolate-view.start-it-as-it-came-and');
  const [first, second] = data.suspects;
  return t('web.isolate.isolate-view.perhaps-or-not-told-apart-yet', {
    words: first?.words ?? t('web.isolate.isolate-view.nothing'),
    words2: second?.words ?? t('web.isolate.isolate-view.nothing'),
  });
}
