import { Button } from 'react-bootstrap';
import { isAnswered, sayFound } from '@/core/diagnosis';
import type { NoseView } from '@/server/nose/nose';
import { findingOf } from './model';
import { AnswerForm } from './NoseForm';
import causes from '@/ui/shell/causes.module.css';

/** Everything found so far, and what was answered by hand can be taken back. */
export function FoundList({ jobId, view }: { readonly jobId: string; readonly view: NoseView }) {
  const { findings, knowledge } = view;
  return (
    <details className={causes.cause}>
      <summary>
        <span className={causes.causeName}>Everything found</span>
        <span className="zh-figure">{findings.length}</span>
      </summary>
      {findings.length === 0 && <p className="zh-muted mb-0">Nothing is on record yet.</p>}
      <ul className="list-unstyled mb-0">
        {findings.map(({ code, value, corner }) => {
          const finding = findingOf(knowledge, code);
          const isAnswer = finding && isAnswered(finding);
          return (
            <li key={`${code} ${corner ?? ''} ${value}`} className="zh-row">
              <span>
                {finding?.title ?? code}
                {corner && ` ${corner}`}: <strong>{sayFound(finding, value)}</strong>
              </span>
              {isAnswer && (
                <AnswerForm jobId={jobId} code={code} corner={corner ?? null} was={String(value)}>
                  <Button type="submit" variant="link">
                    Take back<span className="visually-hidden"> {finding.title}</span>
                  </Button>
                </AnswerForm>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}
