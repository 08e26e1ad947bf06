'use client';

import { PressRow, useSend } from '@/ui/field';
import { keepFinding, useRefresh } from '@/ui/keeper';
import { CarSays } from '@/ui/practice';

/** A question of the nose that is answered at a corner in a step, with its answer. */
export interface StepQuestion {
  readonly code: string;
  readonly question: string;
  readonly how: string | null;
  readonly values: readonly { readonly code: string; readonly label: string }[];
  readonly value: string | null;
}

interface StepQuestionsProps {
  readonly jobId: string;
  readonly corner: string;
  readonly questions: readonly StepQuestion[];
}

function Question({
  jobId,
  corner,
  asked,
}: Omit<StepQuestionsProps, 'questions'> & { readonly asked: StepQuestion }) {
  const { refresh } = useRefresh();
  const { send, busy, trouble } = useSend(keepFinding);
  const { code, question, how, values, value } = asked;
  const answer = (chosen: string): void => {
    const isBack = chosen === value;
    send(
      [{ jobId, code, corner, value: isBack ? null : chosen, ...(isBack ? { was: chosen } : {}) }],
      () => refresh(),
    );
  };
  return (
    <div className="mb-2">
      <p className="mb-1">
        <strong>{question}</strong> {how && <span className="zh-muted">{how}</span>}
      </p>
      <CarSays kind="finding" {...{ code, corner }} />
      <PressRow
        label={question}
        choices={values.map((each) => ({ value: each.code, label: each.label }))}
        value={value}
        disabled={busy}
        onPress={answer}
      />
      {trouble && (
        <div className="zh-error" role="alert">
          {trouble}
        </div>
      )}
    </div>
  );
}

/** What a step asks at its corner; each answer weighs in the nose at once. */
export const StepQuestions = ({ questions, ...where }: StepQuestionsProps) => (
  <>
    <h3>What was felt</h3>
    {questions.map((asked) => (
      <Question key={asked.code} {...where} asked={asked} />
    ))}
  </>
);
