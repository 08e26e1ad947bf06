'use client';

import { useEffect, useState } from 'react';
import { Button, Table } from 'react-bootstrap';
import { makeCode, unpair, type PairingCode } from './requests';
import { TakeKeyAway } from './TakeKeyAway';
import { useAsk } from './useAsk';
import styles from './access.module.css';

interface Screen {
  readonly id: string;
  readonly name: string;
  readonly pairedBy: string;
  /** How long ago it was seen, in words. */
  readonly seen: string;
  readonly revokedAt: Date | null;
  readonly revokedBy: string | null;
}

/** Seconds until a moment, counted down; 0 once it is over. */
function useSecondsTo(until: string): number {
  const left = (): number =>
    Math.max(0, Math.ceil((new Date(until).getTime() - Date.now()) / 1000));
  const [seconds, setSeconds] = useState(left);
  useEffect(() => {
    const timer = setInterval(() => setSeconds(left), 1000);
    return () => clearInterval(timer);
  });
  return seconds;
}

/** A code as it is typed or scanned at the other screen. */
function CodeShown({ code }: { readonly code: PairingCode }) {
  const seconds = useSecondsTo(code.until);
  if (seconds === 0) return <p className="zh-muted">The code has run out. Make another one.</p>;
  return (
    <div className={`${styles.code} mt-3`}>
      {/* A picture that was made for this code alone: there is nothing to make smaller. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={code.picture} alt="The same as a picture to scan" />
      <div>
        <p className="mb-1">
          On the other screen open <strong>{code.address}</strong> and type
        </p>
        <p className={`zh-figure ${styles.digits}`}>
          {code.code.slice(0, 4)} {code.code.slice(4)}
        </p>
        <p className="zh-muted mb-0" role="timer">
          {seconds} s left, once.
        </p>
      </div>
    </div>
  );
}

function ScreenLine({ screen, isOwn }: { readonly screen: Screen; readonly isOwn: boolean }) {
  const { id, name, pairedBy, seen, revokedAt, revokedBy } = screen;
  return (
    <tr>
      <th scope="row">
        {name}
        {isOwn && <span className="zh-muted"> (this one)</span>}
      </th>
      <td>{pairedBy}</td>
      <td>{seen}</td>
      <td>
        {revokedAt ? (
          <>Key taken away by {revokedBy}</>
        ) : (
          <TakeKeyAway id={id} name={name} take={unpair} />
        )}
      </td>
    </tr>
  );
}

/** Screens that are paired, and one more. */
export function ScreenBook({
  screens,
  own,
  tries,
}: {
  readonly screens: readonly Screen[];
  /** Id of the screen that this is. */
  readonly own: string | null;
  /** Wrong tries that a lead should know of, in words. */
  readonly tries: readonly string[];
}) {
  const [code, setCode] = useState<PairingCode | null>(null);
  const { send, busy, trouble } = useAsk(makeCode);
  return (
    <>
      {tries.map((each) => (
        <p key={each} className="zh-stop" role="alert">
          {each}.
        </p>
      ))}
      <Table responsive>
        <thead>
          <tr>
            <th scope="col">Screen</th>
            <th scope="col">Paired by</th>
            <th scope="col">Last seen</th>
            <th scope="col">
              <span className="visually-hidden">Key</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {screens.map((screen) => (
            <ScreenLine key={screen.id} screen={screen} isOwn={screen.id === own} />
          ))}
        </tbody>
      </Table>
      <Button variant="outline-secondary" disabled={busy} onClick={() => send([], setCode)}>
        Pair another screen
      </Button>
      {trouble && <span className="zh-error ms-2">{trouble}</span>}
      {code && <CodeShown key={code.code} code={code} />}
    </>
  );
}
