'use client';

import { useState, useTransition } from 'react';
import { Button, Form } from 'react-bootstrap';
import { toMetresPerSecond, type SpeedUnit } from '@/core/units';
import { FileField, TextField } from '@/ui/field';
import { useRefresh } from '@/ui/keeper';
import { Progress } from '@/ui/Progress';
import { writeRoadTest } from './writes';
import { AnalysisView } from './AnalysisView';
import { MappingForm, type Mapping } from './MappingForm';
import { canBeMapped, figureIn } from './model';
import { useRecording } from './useRecording';
import styles from './road-test.module.css';

interface RecordingCardProps {
  readonly jobId: string;
  readonly phase: 'before' | 'after';
  readonly diameter: number;
  readonly unit: SpeedUnit;
}

/** Sends a recording, compressed in the browser, to be kept with its road test. */
async function keepFile(id: string, file: File): Promise<string | null> {
  const gzip = new Response(file.stream().pipeThrough(new CompressionStream('gzip')));
  try {
    const answer = await fetch(`/api/v1/road-tests/${id}/recording`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/gzip' },
      body: await gzip.blob(),
    });
    if (answer.ok) return null;
    const { error } = (await answer.json()) as { error: { message: string } };
    return error.message;
  } catch {
    return 'The recording did not reach the server; what it says is kept all the same.';
  }
}

const NOTHING_CHOSEN: Mapping = { map: {}, units: {} };

/** A phone's recording: dropped in, read away from the page, shown, kept. */
export function RecordingCard({ jobId, phase, diameter, unit }: RecordingCardProps) {
  const { state, read, cancel } = useRecording();
  const [speed, setSpeed] = useState('');
  const [chosen, setChosen] = useState<Mapping>(NOTHING_CHOSEN);
  const [isOver, setOver] = useState(false);
  const [withFile, setWithFile] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const [pending, start] = useTransition();
  const { refresh } = useRefresh();
  const driven = figureIn(speed, 5, 250);
  const how = { diameter, speed: driven === null ? null : toMetresPerSecond(driven, unit) };
  const take = (file: File | undefined): void => {
    setSaid(null);
    setChosen(NOTHING_CHOSEN);
    if (file) read(file, how);
  };

  const keep = (): void => {
    if (state.kind !== 'done') return;
    const { analysis, file } = state;
    start(async () => {
      const answer = await writeRoadTest({
        jobId,
        phase,
        diameter,
        summary: analysis,
      });
      const trouble = !answer.ok
        ? answer.message
        : withFile
          ? await keepFile(answer.value, file)
          : null;
      setSaid(trouble ?? 'Kept with the job.');
      refresh();
    });
  };

  return (
    <section className="zh-card mb-3" aria-labelledby="zh-recording">
      <h2 id="zh-recording">Recording</h2>
      <div
        className={styles.drop}
        data-over={isOver ? 'yes' : 'no'}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          take(event.dataTransfer.files[0]);
        }}
      >
        <FileField
          label="Drop a phone’s log here, or choose it: CSV with time, acceleration and, best, speed."
          accept=".csv,.txt,text/csv,text/plain"
          onPick={take}
        />
      </div>
      <TextField
        label={`Speed driven, if the log has none (${unit})`}
        error={speed !== '' && driven === null ? 'Write a speed between 5 and 250.' : undefined}
        isFigure
        value={speed}
        onChange={setSpeed}
      />
      {state.kind === 'reading' && (
        <div role="status">
          <div className="mb-2">
            {state.share < 1 ? `Reading ${state.file.name} …` : 'Finding the orders …'}
            <Progress name={`Reading ${state.file.name}`} now={state.share} max={1} />
          </div>
          <Button type="button" variant="outline-secondary" onClick={cancel}>
            Cancel
          </Button>
        </div>
      )}
      {state.kind === 'refused' && (
        <>
          <p className="zh-error" role="alert">
            {state.problem.message}
          </p>
          {state.header.length > 0 && canBeMapped(state.problem.code) && (
            <MappingForm
              header={state.header}
              chosen={chosen}
              onChoose={setChosen}
              onRead={() => read(state.file, { ...how, ...chosen })}
            />
          )}
        </>
      )}
      {state.kind === 'done' && (
        <div data-took-ms={Math.round(state.took)}>
          <AnalysisView analysis={state.analysis} unit={unit} />
          <Form.Check
            className="my-3"
            id="zh-keep-file"
            label="Keep the recording itself too (compressed)"
            checked={withFile}
            onChange={({ target }) => setWithFile(target.checked)}
          />
          <Button type="button" variant="primary" disabled={pending} onClick={keep}>
            {pending ? 'Keeping …' : 'Keep it with the job'}
          </Button>{' '}
          <span role="status">{said}</span>
        </div>
      )}
    </section>
  );
}
