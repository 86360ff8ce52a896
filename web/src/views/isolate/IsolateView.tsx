import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useThings } from '../../api/queries';
import type { Things } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, upTo } from '../../theme/theme';
import { ofHundred } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Lead, Page, Sheet, SheetHead, Sub, Title } from '../../ui/Sheet';
import { NameThings } from './NameThings';
import { SORTS, sortOf } from './sorts';
import { Tries } from './Tries';

/** Things put in and out of play, start by start, until one is to blame. */
export function IsolateView() {
  const { number = '', sort = '' } = useParams();
  const which = sortOf(sort);
  const things = useThings(number, which);
  return (
    <Loaded query={things}>
      {(data) => (
        <Page>
          <Back to={`/job/${data.number}`}>
            ‹ {data.number} {data.machine}
          </Back>
          <Title>{titleOf(data)}</Title>
          <Sub>
            An innocent one is named in at most {ofHundred(data.error)} of 100. Also by this:{' '}
            {SORTS.filter((s) => s.sort !== data.sort).map((s, i) => (
              <span key={s.path}>
                {i > 0 && ', '}
                <Link to={`/isolate/${data.number}/${s.path}`}>{s.words}</Link>
              </span>
            ))}
            .
          </Sub>
          {data.things.length === 0 ? (
            <NameThings key={data.sort} things={data} />
          ) : (
            <Columns>
              <Tries key={`${data.sort} ${data.version}`} things={data} />
              <Side things={data} />
            </Columns>
          )}
        </Page>
      )}
    </Loaded>
  );
}

/** The finding, not the type. */
export function titleOf(data: Things): string {
  if (data.things.length === 0) return `${data.title}: what is there?`;
  if (data.named !== null) {
    return data.named === 'none of these' ? 'It is none of these' : `It is ${data.named}`;
  }
  if (data.starts.length === 0) return 'Try it as it came, and say whether it fails';
  const [first, second] = data.suspects;
  return `Perhaps ${first?.words ?? 'nothing'}, or ${second?.words ?? 'nothing'}: not told apart yet`;
}

function Side({ things }: { things: Things }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>Under suspicion</Lead>
        <small>of 100</small>
      </SheetHead>
      <Suspects>
        {things.suspects.map((suspect) => (
          <Suspect key={suspect.words}>
            <SuspicionMark suspicion={suspect.suspicion} size={22} />
            <span>{suspect.words}</span>
            <b>{ofHundred(suspect.probability)}</b>
          </Suspect>
        ))}
      </Suspects>
    </Sheet>
  );
}

const Back = styled(Link)`
  color: ${color.ink2};
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(280px, 360px);
  gap: 12px;
  align-items: start;
  margin: 12px 0;
  ${upTo.middle} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Suspects = styled.ul`
  padding-bottom: 8px;
`;

const Suspect = styled.li`
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) 40px;
  gap: 10px;
  align-items: center;
  padding: 6px 16px;
  overflow-wrap: anywhere;
  b {
    text-align: right;
  }
`;
