import { t } from '../../words/words';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useFloor } from '../../api/queries';
import { color, size } from '../../theme/theme';
import { clock } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Lanes } from '../floor/Lanes';
import { titleOf } from '../floor/FloorView';

/** The floor on a wall: no band, letters that are read from four metres, live. */
export function WallView() {
  const floor = useFloor();
  return (
    <Loaded query={floor}>
      {(data) => (
        <Wall>
          <Head>
            <h1>{titleOf(data)}</h1>
            <b>{clock(new Date(data.now))}</b>
            <Link to="/">{t('web.wall.wall-view.leave-the-wall-screen')}</Link>
          </Head>
          <Lanes floor={data} jobs={data.jobs} wall />
        </Wall>
      )}
    </Loaded>
  );
}

const Wall = styled.main`
  padding: 14px 18px;
  min-height: 100vh;
  background: ${color.ground};
`;

const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 28px;
  padding-bottom: 12px;
  h1,
  b {
    font-size: ${size.wall};
    line-height: 1.15;
  }
  b {
    margin-left: auto;
  }
  a {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
