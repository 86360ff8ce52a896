import { Button } from 'react-aria-components';
import { Fragment, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Answers, Intake, Script } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when } from '../../ui/format';
import { Lead, Sheet } from '../../ui/Sheet';
import { listed, phraseOf, questionOf, type Step } from './steps';

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
    <Box aria-label="What was said so far">
      <Lead>So far</Lead>
      <Text>
        {phrase('who', answers.customerName || undefined, 'Who?')} brings{' '}
        {loose && 'the loose drive '}
        {phrase('which', machine || undefined, loose ? 'which drive?' : 'which machine?')}
        {answers.serial && <> with the serial {phrase('which', answers.serial, '')}</>}
        {answers.machineId != null && <Met> met before</Met>}
        {machine !== '' && '.'} It{' '}
        {phrase(
          'complaint',
          answers.complaint
            ? families.length > 0
              ? listed(families)
              : `“${answers.complaint}”`
            : undefined,
          'does what?',
        )}
        {answers.complaint && families.length > 0 && <Quote> “{answers.complaint}”</Quote>}
        {answers.complaint && '.'}{' '}
        {answers.errorText && (
          <>The screen says {phrase('error', `“${answers.errorText}”`, '')}. </>
        )}
        {steps.map((step) => {
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
        })}
        {dataWords(answers, phrase)} {leftWords(answers, phrase)}
        {intake.secretKept && <> A password is {phrase('password', 'kept sealed', '')}. </>}
        Promised for{' '}
        {phrase('promise', answers.promisedAt ? when(answers.promisedAt) : undefined, 'when?')}
        {answers.promisedAt && '.'}
      </Text>
    </Box>
  );
}

type Say = (step: Step, said: string | undefined, open: string) => ReactNode;

function dataWords(answers: Answers, phrase: Say): ReactNode {
  if (answers.waiver != null)
    return <>The data is {phrase('data', `not wanted, signed by ${answers.waiver.name}`, '')}.</>;
  const wanted =
    answers.dataWanted == null
      ? undefined
      : answers.dataWanted
        ? 'wanted'
        : 'not wanted, not signed yet';
  return (
    <>
      The data on it is {phrase('data', wanted, 'wanted?')}
      {wanted !== undefined && '.'}
    </>
  );
}

function leftWords(answers: Answers, phrase: Say): ReactNode {
  if (answers.leftWithUs == null) return null;
  const words = answers.leftWithUs.length === 0 ? 'nothing else' : listed(answers.leftWithUs);
  return <>Left with us: {phrase('left', words, '')}. </>;
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
