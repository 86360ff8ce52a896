import { say, t } from '../../words/words';
import { Button } from 'react-aria-components';
import { Fragment, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Answers, Intake, Script } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when, listed } from '../../ui/format';
import { Lead, Sheet } from '../../ui/Sheet';
import { phraseOf, questionOf, type Step } from './steps';

export interface SoFarProps {
  intake: Intake;
  script: Script;
  answers: Answers;
  steps: readonly Step[];
  onGo: (step: Step) => void;
}

/** What was said, as running text. Every phrase leads back to its question. */
export function SoFar({ intake, script, answers, steps, onGo }: SoFarProps) {
  const phrase = (step: Step, said: string | undefined, open: string) => (
    <Phrase onPress={() => onGo(step)} data-open={said === undefined || undefined}>
      {said ?? open}
    </Phrase>
  );
  const loose = answers.subject === 'DRIVE';
  const machine = [answers.maker, answers.model].filter(Boolean).join(' ');
  const families = script.families.filter((f) => intake.families.includes(f.id)).map((f) => f.says);
  return (
    <Box aria-label={t('web.intake.so-far.what-was-said-so-far')}>
      <Lead>{t('web.intake.so-far.so-far')}</Lead>
      <Text>
        {say('web.intake.so-far.brings-it-promised-for', {
          phrase: phrase('who', answers.customerName || undefined, t('web.intake.so-far.who')),
          loose,
          phrase2: phrase(
            'which',
            machine || undefined,
            loose ? t('web.intake.so-far.which-drive') : t('web.intake.so-far.which-machine'),
          ),
          value: answers.serial && (
            <>
              {' '}
              {say('web.intake.so-far.with-the-serial', {
                phrase: phrase('which', answers.serial, ''),
              })}
            </>
          ),
          value2: answers.machineId != null && <Met> {t('web.intake.so-far.met-before')}</Met>,
          machine: machine !== '' && '.',
          phrase3: phrase(
            'complaint',
            answers.complaint
              ? families.length > 0
                ? listed(families)
                : `“${answers.complaint}”`
              : undefined,
            t('web.intake.so-far.does-what'),
          ),
          value3: answers.complaint && families.length > 0 && <Quote> “{answers.complaint}”</Quote>,
          complaint: answers.complaint && '.',
          value4: answers.errorText && (
            <>
              {say('web.intake.so-far.the-screen-says', {
                phrase: phrase('error', `“${answers.errorText}”`, ''),
              })}{' '}
            </>
          ),
          steps: steps.map((step) => {
            const question = questionOf(step, script);
            if (question === undefined) return null;
            const said = phraseOf(question, answers);
            const [before = '', after = ''] = question.says.split('{answer}');
            return (
              <Fragment key={step}>
                {said === undefined ? (
                  phrase(step, undefined, question.open)
                ) : (
                  <>
                    {before}
                    {phrase(step, said, '')}
                    {after}
                  </>
                )}{' '}
              </Fragment>
            );
          }),
          dataWords: dataWords(answers, phrase),
          leftWords: leftWords(answers, phrase),
          value5: intake.secretKept && (
            <>
              {' '}
              {say('web.intake.so-far.a-password-is', {
                phrase: phrase('password', t('web.intake.so-far.kept-sealed'), ''),
              })}{' '}
            </>
          ),
          phrase4: phrase(
            'promise',
            answers.promisedAt ? when(answers.promisedAt) : undefined,
            'when?',
          ),
          promisedAt: answers.promisedAt && '.',
        })}
      </Text>
    </Box>
  );
}

type Say = (step: Step, said: string | undefined, open: string) => ReactNode;

function dataWords(answers: Answers, phrase: Say): ReactNode {
  if (answers.waiver != null)
    return (
      <>
        {say('web.intake.so-far.the-data-is', {
          phrase: phrase(
            'data',
            t('web.intake.so-far.not-wanted-signed-by', { name: answers.waiver.name }),
            '',
          ),
        })}
      </>
    );
  const wanted =
    answers.dataWanted == null
      ? undefined
      : answers.dataWanted
        ? t('web.intake.so-far.wanted')
        : t('web.intake.so-far.not-wanted-not-signed-yet');
  return (
    <>
      {say('web.intake.so-far.the-data-on-it-is', {
        phrase: phrase('data', wanted, 'wanted?'),
        more: wanted !== undefined && '.',
      })}
    </>
  );
}

function leftWords(answers: Answers, phrase: Say): ReactNode {
  if (answers.leftWithUs == null) return null;
  const words =
    answers.leftWithUs.length === 0
      ? t('web.intake.so-far.nothing-else')
      : listed(answers.leftWithUs);
  return <>{say('web.intake.so-far.left-with-us', { phrase: phrase('left', words, '') })} </>;
}

const Box = styled(Sheet)`
  padding: 14px 20px 18px;
`;

const Text = styled.div`
  font-size: ${size.title};
  line-height: 1.75;
`;

const Phrase = styled(Button)`
  font: inherit;
  font-weight: 700;
  color: ${color.ink};
  background: none;
  border: 0;
  border-bottom: 2px solid ${color.clear};
  padding: 0 1px;
  text-align: left;
  cursor: pointer;
  &[data-open] {
    font-weight: 400;
    color: ${color.lean};
    border-bottom: 2px dotted ${color.leanMark};
  }
  &[data-hovered] {
    background: ${color.clearSoft};
  }
`;

const Quote = styled.span`
  font-size: ${size.head};
  color: ${color.ink2};
`;

const Met = styled.small`
  font-weight: 700;
  color: ${color.clear};
`;
