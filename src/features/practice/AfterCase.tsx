'use client';

import { useRouter } from 'next/navigation';
import { Button } from 'react-bootstrap';
import { newCode, type CaseKind } from '@/core/practice';
import { practiceAgain } from '@/ui/keeper';
import { AllCases } from './PracticeFrame';

/** What follows a case: the next one of its kind, made when it is asked for. */
export function AfterCase({ own, code }: { readonly own: CaseKind; readonly code: string }) {
  const router = useRouter();
  return (
    <p className="d-flex flex-wrap gap-2">
      <Button onClick={() => router.push(`/practice/${newCode(own, Math.random())}`)}>
        Next case
      </Button>
      <Button variant="outline-secondary" onClick={() => practiceAgain(code)}>
        Work it again
      </Button>
      <AllCases />
    </p>
  );
}
