'use client';

import type { FindingForm } from '@/core/contracts';
import { useKeeperState, type KeptWrite } from '@/ui/keeper';
import { writeFinding } from './writes';

type AnswersByCode = Readonly<Record<string, string>>;

const withAnswer = (all: AnswersByCode, code: string, value: string | null): AnswersByCode => {
  const { [code]: _, ...others } = all;
  return value === null ? others : { ...others, [code]: value };
};

/** The answers of a vehicle as they are on file, with what this device holds laid over them. */
export function useAnswers(
  jobId: string,
  stored: AnswersByCode,
): {
  readonly shown: AnswersByCode;
  readonly answer: (code: string, value: string | null) => void;
  readonly trouble: string | null;
} {
  const { writes, lately } = useKeeperState();
  const isOwn = ({ name, jobId: of }: KeptWrite): boolean => name === 'finding' && of === jobId;
  const own = writes.filter(isOwn);
  const shown = [...lately.filter(isOwn), ...own.filter(({ status }) => status.state === 'waiting')]
    // What waits under this name was written by `writeFinding`.
    .map(({ input }) => input as FindingForm)
    .filter(({ corner }) => corner === null)
    .reduce((all, { code, value }) => withAnswer(all, code, value), stored);
  const answer = (code: string, value: string | null): void => {
    void writeFinding({ jobId, code, corner: null, value });
  };
  const refused = own.find(({ status }) => status.state === 'refused')?.status;
  return {
    shown,
    answer,
    trouble: refused?.state === 'refused' ? refused.message : null,
  };
}
