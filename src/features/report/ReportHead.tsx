import lists from '@/ui/shell/lists.module.css';
interface ReportHeadProps {
  readonly title: string;
  readonly job: number;
  /** A quick check instead of a job. */
  readonly isCheck?: boolean;
  readonly date: string;
  readonly plate: string;
  readonly vehicle: string;
  readonly odometer: string | null;
}

/** The head of a report: what it is, of which job and vehicle. */
export function ReportHead(props: ReportHeadProps) {
  const { title, job, isCheck = false, date, plate, vehicle, odometer } = props;
  return (
    <header className="d-flex flex-wrap justify-content-between gap-2 mb-2">
      <div>
        <h1 className="mb-0">{title}</h1>
        <div>
          {isCheck ? 'Check' : 'Job'} {job} · {date}
        </div>
      </div>
      <div className="text-sm-end">
        <div className={lists.jobPlate}>{plate}</div>
        <div>
          {vehicle}
          {odometer && ` · ${odometer}`}
        </div>
      </div>
    </header>
  );
}
