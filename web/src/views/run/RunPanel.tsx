import { t } from '../../words/words';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { Run } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { clock, count, fixed } from '../../ui/format';
import { ProblemNote } from '../../ui/ProblemNote';

/** A run that goes on: how far, when it ends, and what can be done with it. */
export function RunPanel({ run, job }: { run: Run; job: string }) {
  const call = useCall(keys.job(job), keys.run(run.id));
  const params = { path: { id: run.id } };
  const pause = () => call.mutate(() => api.POST('/api/runs/{id}/pause', { params }));
  const goOn = () => call.mutate(() => api.POST('/api/runs/{id}/resume', { params }));
  const end = () => call.mutate(() => api.POST('/api/runs/{id}/end', { params }));
  const share = run.share ?? 0;
  const paused = run.state === 'PAUSED';
  const ending = run.state === 'ENDING';
  return (
    <Panel aria-label={t('web.run.run-panel.under-way', { name: run.name })}>
      <b>
        {run.name} {fixed(100 * share, share < 0.1 ? 1 : 0)} %
        {paused && t('web.run.run-panel.paused')}
        {run.waits !== null && t('web.run.run-panel.waits')}
        {ending && t('web.run.run-panel.is-to-end')}
      </b>
      <progress value={share} max={1} aria-label={run.name} />
      <span>{endWords(run)}</span>
      {resultOf(run, 'surface') !== null && <span>{sampleWords(run)}</span>}
      <Buttons>
        {canPause(run) && run.state === 'RUNNING' && (
          <Button onPress={pause}>{t('web.run.run-panel.pause')}</Button>
        )}
        {paused && (
          <Button primary onPress={goOn}>
            {t('web.run.run-panel.go-on')}
          </Button>
        )}
        <Button isDisabled={ending} onPress={end}>
          {t('web.run.run-panel.end-it')}
        </Button>
      </Buttons>
      {call.isError && <ProblemNote error={call.error} />}
    </Panel>
  );
}

const canPause = (run: Run) => run.kind.startsWith('SURFACE_SCAN') || run.kind.startsWith('RESCUE');

function endWords(run: Run): string {
  if (run.state === 'PAUSED') return t('web.run.run-panel.kept-as-it-is-it-goes');
  if (run.state === 'ENDING') return t('web.run.run-panel.the-probe-reports-what-it-found');
  if (run.waits !== null) return run.waits;
  if (run.likelyEnd === null) return t('web.run.run-panel.the-end-cannot-be-told-yet');
  const minutes = Math.ceil((run.spreadSeconds ?? 0) / 60);
  return t('web.run.run-panel.ends-about-min', { clock: clock(new Date(run.likelyEnd)), minutes });
}

/** What random places let hope says nothing any more once damage was met. */
function sampleWords(run: Run): string {
  const s = resultOf(run, 'surface');
  if (s === null || s.sampled === 0 || s.bad.length > 0) return '';
  const share = 100 * s.badShareAtMost;
  const words = share >= 10 ? fixed(share, 0) : share.toPrecision(2);
  return t('web.run.run-panel.with-95-confidence-at-most-of', {
    words,
    count: count(s.sampled),
    sampledBad: s.sampledBad,
  });
}

const Panel = styled.section`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  padding: 8px 16px;
  border-top: 1px solid ${color.line};
  background: ${color.sunken};
  font-size: ${size.text};
  progress {
    width: 180px;
    height: 12px;
    accent-color: ${color.clear};
  }
`;

const Buttons = styled.span`
  display: flex;
  gap: 8px;
  margin-left: auto;
`;
