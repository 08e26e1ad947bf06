import { answersIn } from '@/core/diagnosis';

/** Points out a rotor that was renewed again without a cause found. */
export function RenewedAgain({ answers }: { answers: Readonly<Record<string, string>> }) {
  if (!answersIn(answers.lately ?? '').includes('renewed-again')) return null;
  return (
    <div className="zh-next mb-3" role="status">
      <strong>Renewed again without a cause found: do not fit a third pair.</strong>
      <div>
        What made the first pair shake is still on the vehicle. Measure the hub face and look under
        the hat before any part is ordered.
      </div>
    </div>
  );
}
