import { useState, type FormEvent } from 'react';
import { Checkbox, CheckboxGroup, Form } from 'react-aria-components';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { useJob, useSignDecision } from '../../api/queries';
import type { Course, CourseView, Job, Decision } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { InvasivenessPips } from '../../marks/InvasivenessPips';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Back, TwoColumns } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Field } from '../../ui/Field';
import { ofHundred, when } from '../../ui/format';
import { Lead, Page, Sheet, SheetHead, Sub, Teach, Title } from '../../ui/Sheet';
import { ProblemNote } from '../../ui/ProblemNote';
import { inOrder, leaningWords } from '../job/leaningWords';
import { DataCard } from '../job/DataCard';

/** The decision: courses in order, why, signed; and every decision before it. */
export function DecisionView() {
  const { number = '' } = useParams();
  const job = useJob(number);
  return <Loaded query={job}>{(data) => <Decided key={number} job={data} />}</Loaded>;
}

function Decided({ job }: { job: Job }) {
  const first = job.weighing.causes[0];
  return (
    <Page>
      <Back to={`/job/${job.number}`}>
        ‹ {job.number} {job.machine}
      </Back>
      <Top>
        <div>
          <Headline>
            {first !== undefined && <SuspicionMark suspicion={first.suspicion} size={30} />}
            <Title>{titleOf(job)}</Title>
          </Headline>
          <Sub>
            Rests on {job.weighing.findings} findings. {job.weighing.headline}
          </Sub>
        </div>
        <DataCard job={job} />
      </Top>
      <Decide job={job} />
    </Page>
  );
}

function titleOf(job: Job): string {
  const last = job.decisions[0];
  if (last !== undefined) return `Decided: ${inOrder(last.courses.map((c) => c.words))}`;
  return leaningWords(job) ?? 'Nothing leans yet: decide only what is sure';
}

function Decide({ job }: { job: Job }) {
  const sign = useSignDecision(job.number);
  // Until somebody ticks, it goes with the leaning: what is shown first may be a moment old.
  const [ticked, setTicked] = useState<Course[] | null>(null);
  const courses = ticked ?? openOnly(job.leaning, job.courses);
  const [reason, setReason] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    sign.mutate({ version: job.version, courses, reason }, { onSuccess: () => setReason('') });
  };
  return (
    <Form onSubmit={submit}>
      <TwoColumns $side="minmax(300px, 40%)" $gapAbove={false}>
        <Sheet>
          <SheetHead>
            <Lead>Courses, in the order in which you tick them</Lead>
          </SheetHead>
          <CheckboxGroup
            aria-label="Courses"
            value={courses}
            onChange={(values) => setTicked(values as Course[])}
          >
            {job.courses.map((course) => (
              <CourseRow
                key={course.course}
                course={course}
                place={courses.indexOf(course.course)}
              />
            ))}
          </CheckboxGroup>
        </Sheet>
        <RightSide>
          <Signing>
            <Lead>Sign it</Lead>
            <Field
              label="In your words, for the next of us"
              area
              value={reason}
              onChange={setReason}
              maxLength={4000}
            />
            <p>
              This keeps the weighing as it stands now. It cannot be changed, only followed by
              another.
            </p>
            {sign.isError && <ProblemNote error={sign.error} />}
            {courses.length === 0 && <p>Tick at least one course.</p>}
            {sign.isSuccess && <Kept role="status">Signed and kept.</Kept>}
            <Button
              primary
              type="submit"
              isDisabled={courses.length === 0 || reason.trim() === ''}
              isPending={sign.isPending}
            >
              Sign the decision
            </Button>
          </Signing>
          <Past decisions={job.decisions} />
        </RightSide>
      </TwoColumns>
    </Form>
  );
}

const openOnly = (leaning: readonly Course[], courses: readonly CourseView[]) =>
  leaning.filter((course) => courses.find((c) => c.course === course)?.lock === null);

function CourseRow({ course, place }: { course: CourseView; place: number }) {
  return (
    <CourseBox value={course.course} isDisabled={course.lock !== null}>
      <Tick aria-hidden="true">{place >= 0 ? place + 1 : ''}</Tick>
      <span>
        <b>{course.words}</b>
        {course.lock !== null && (
          <LockLine>
            Locked: {course.lock.reason} {course.lock.opens}
          </LockLine>
        )}
      </span>
      <InvasivenessPips invasiveness={course.invasiveness} words={course.invasivenessWords} />
    </CourseBox>
  );
}

function Past({ decisions }: { decisions: readonly Decision[] }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>Decisions so far</Lead>
      </SheetHead>
      {decisions.length === 0 ? (
        <Teach>
          None yet. A decision stands here with its reason and the weighing as it was when it was
          signed.
        </Teach>
      ) : (
        <ol>
          {decisions.map((decision) => (
            <PastOne key={decision.id}>
              <b>{inOrder(decision.courses.map((c) => c.words))}</b>
              <p>{decision.reason}</p>
              <small>
                {decision.signedBy}, {when(decision.signedAt)}
                {decision.fromElsewhere && ' · came with an archive, decides nothing here'}
              </small>
              <Stood>
                <p>As it stood: {decision.headline}</p>
                <ul>
                  {decision.causes.map((cause) => (
                    <li key={`${cause.name}${cause.partName}`}>
                      <span>
                        {cause.name}, {cause.partName}
                      </span>
                      <span>{ofHundred(cause.probability)} of 100</span>
                    </li>
                  ))}
                </ul>
              </Stood>
            </PastOne>
          ))}
        </ol>
      )}
    </Sheet>
  );
}

const Top = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 12px;
  margin-bottom: 14px;
  & > :first-child {
    flex: 1 1 520px;
  }
`;

const Headline = styled.div`
  display: flex;
  gap: 12px;
  align-items: center;
`;

const CourseBox = styled(Checkbox)`
  display: grid;
  grid-template-columns: 34px 1fr auto;
  gap: 14px;
  align-items: center;
  min-height: 52px;
  padding: 8px 16px;
  border-top: 1px solid ${color.line};
  cursor: pointer;
  &[data-selected] {
    background: ${color.clearSoft};
  }
  &[data-disabled] {
    cursor: default;
    color: ${color.ink2};
  }
  &[data-focus-visible] {
    outline: 3px solid ${color.leanMark};
    outline-offset: -3px;
  }
`;

const Tick = styled.span`
  width: 30px;
  height: 30px;
  display: grid;
  place-items: center;
  border: 2px solid ${color.ink2};
  border-radius: ${radius};
  font-weight: 700;
  [data-selected] > & {
    background: ${color.act};
    border-color: ${color.act};
    color: ${color.actInk};
  }
  [data-disabled] > & {
    border-style: dashed;
  }
`;

const LockLine = styled.span`
  display: block;
  font-size: ${size.text};
  color: ${color.holdInk};
`;

const RightSide = styled.div`
  display: grid;
  gap: 12px;
`;

const Signing = styled(Sheet)`
  display: grid;
  gap: 12px;
  padding: 14px 16px 16px;
  p {
    color: ${color.ink2};
  }
`;

const Kept = styled.strong`
  color: ${color.clear};
`;

const PastOne = styled.li`
  display: grid;
  gap: 6px;
  padding: 12px 16px;
  border-top: 1px solid ${color.line};
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Stood = styled.div`
  padding: 10px 12px;
  background: ${color.sunken};
  font-size: ${size.text};
  li {
    display: flex;
    justify-content: space-between;
    gap: 12px;
  }
`;
