import { KNOWLEDGE } from '@/core/contracts';
import { isChoice } from '@/core/diagnosis';

/** Every answer that a weight can be given to. */
export const answersOf = (): { value: string; label: string }[] =>
  KNOWLEDGE.findings.filter(isChoice).flatMap(({ code, title, values }) =>
    values.map((value) => ({
      value: `${code} ${value.code}`,
      label: `${title}: ${value.label}`,
    })),
  );
