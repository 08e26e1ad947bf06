'use client';

import { Button } from 'react-bootstrap';
import Link from '@/ui/Link';
import { useSend } from '@/ui/field';
import { writePartBack } from './writes';
import styles from './rebuild.module.css';
import picks from '@/ui/shell/picks.module.css';
import photosStyles from '@/ui/shell/photos.module.css';

/** A part of the tray as the rebuild asks for it. */
export interface PartView {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly orientation: string;
  readonly mark: string;
  readonly fate: 'reuse' | 'renew' | 'exchange';
  /** When it went back on, in words; null while it is in the tray. */
  readonly back: string | null;
  readonly photos: readonly { readonly id: string; readonly sha256: string }[];
}

const FATE = {
  reuse: 'goes back',
  renew: 'renewed: the new one goes on',
  exchange: 'exchanged: the other one goes on',
} as const;

function Part({ jobId, part }: { jobId: string; part: PartView }) {
  const { send, busy, trouble } = useSend(writePartBack);
  const { name, place, orientation, mark, fate, back, photos } = part;
  const how = [place, orientation, mark].filter((each) => each !== '').join(' · ');
  return (
    <li className={styles.partBack}>
      <Button
        type="button"
        variant={back ? 'dark' : 'outline-secondary'}
        className={picks.tick}
        aria-pressed={back !== null}
        disabled={busy}
        onClick={() => send([jobId, part.id, back === null])}
      >
        {back ? '✓ ' : ''}
        {name}
      </Button>
      <span>
        {how && <strong>{how}. </strong>}
        <span className="zh-muted">
          {FATE[fate]}
          {back && ` · on ${back}`}
        </span>
      </span>
      {photos.map(({ id, sha256 }) => (
        <a key={id} href={`/api/v1/photos/${sha256}`} target="_blank" rel="noreferrer">
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture from our own store, sized already */}
          <img
            className={photosStyles.thumb}
            src={`/api/v1/photos/${sha256}?size=thumb`}
            alt={`How ${name.toLowerCase()} sat`}
            loading="lazy"
          />
        </a>
      ))}
      {trouble && <span className="zh-error">{trouble}</span>}
    </li>
  );
}

/** The tray emptied part by part, each where it sat and how. */
export function TrayBack({
  jobId,
  corner,
  parts,
}: {
  readonly jobId: string;
  readonly corner: string;
  readonly parts: readonly PartView[];
}) {
  const left = parts.filter(({ back }) => back === null).length;
  return (
    <section className="zh-card" aria-label="Tray">
      <h2>
        {parts.length === 0
          ? 'Nothing was put in the tray.'
          : left === 0
            ? 'The tray is empty.'
            : `${left} of ${parts.length} still in the tray`}
      </h2>
      {parts.length === 0 && (
        <p className="zh-muted">
          Parts come in at “Comes off” in the strip-down:{' '}
          <Link href={`/jobs/${jobId}/strip/${corner}/tray`}>the tray there</Link>.
        </p>
      )}
      <ul className="list-unstyled mb-0">
        {parts.map((part) => (
          <Part key={part.id} jobId={jobId} part={part} />
        ))}
      </ul>
    </section>
  );
}
