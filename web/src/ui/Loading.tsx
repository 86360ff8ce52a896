import { t } from '../words/words';
import styled, { keyframes } from 'styled-components';
import { color } from '../theme/theme';
import { Page } from './Sheet';

/** A view whose data or code is on its way. Said only if it takes a moment: else it flickers. */
export function Loading() {
  return (
    <Page aria-busy="true">
      <Late role="status">{t('web.ui.loading.loading')}</Late>
    </Page>
  );
}

const appear = keyframes`
  to {
    visibility: visible;
  }
`;

const Late = styled.p`
  color: ${color.ink2};
  visibility: hidden;
  animation: ${appear} 0s 400ms forwards;
`;
