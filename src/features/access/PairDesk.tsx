'use client';

import { useState, useSyncExternalStore } from 'react';
import { Button } from 'react-bootstrap';
import { SecretField, TextField } from '@/ui/field';
import type { Asked } from '@/ui/ask';
import { pairByCode, pairByLead } from './requests';
import { useAsk } from './useAsk';
import styles from './access.module.css';

const never = (): (() => void) => () => undefined;
/** A code that was scanned stands behind the # of the address: it is never sent by opening the page. */
const codeOfAddress = (): string => window.location.hash.replace(/\D/g, '');

// The whole document anew: what stands around the page is another for who is in.
// eslint-disable-next-line @next/next/no-location-assign-relative-destination
const goIn = (): void => window.location.assign('/sign-in');

/** What a way of pairing is told: the name of this screen, and where to say what is wrong with it. */
interface WayProps {
  readonly name: string;
  readonly onName: (error: string | undefined) => void;
}

/** Sends by a way; what is wrong with the name is said at its field, the rest beside the way. */
function usePairing<Args extends readonly unknown[]>(
  request: (...args: Args) => Promise<Asked<string>>,
  onName: WayProps['onName'],
) {
  const { send, busy, trouble, fields } = useAsk(async (...args: Args) => {
    const answer = await request(...args);
    onName(answer.ok ? undefined : answer.fields.name);
    return answer;
  });
  return {
    pair: (...args: Args) => send(args, goIn),
    busy,
    fields,
    trouble: fields.name ? undefined : trouble,
  };
}

/** By the eight digits that another screen shows. */
function ByCode({ name, onName }: WayProps) {
  const scanned = useSyncExternalStore(never, codeOfAddress, () => '');
  const [typed, setTyped] = useState<string | null>(null);
  const code = typed ?? scanned;
  const { pair, busy, trouble } = usePairing(pairByCode, onName);
  return (
    <form
      className="zh-card"
      onSubmit={(event) => {
        event.preventDefault();
        pair(name, code);
      }}
    >
      <h2>By a code</h2>
      <p>
        On a screen that is already in: Workshop, Screens, “Pair another screen”. The code lives two
        minutes.
      </p>
      <TextField label="Code" isFigure value={code} onChange={setTyped} error={trouble} />
      <Button type="submit" disabled={busy}>
        Pair by the code
      </Button>
    </form>
  );
}

/** By a lead’s password: at the server’s own machine alone. */
function ByLead({ name, onName }: WayProps) {
  const [lead, setLead] = useState('');
  const [password, setPassword] = useState('');
  const { pair, busy, trouble } = usePairing(pairByLead, onName);
  return (
    <form
      className="zh-card"
      onSubmit={(event) => {
        event.preventDefault();
        pair(name, lead, password);
      }}
    >
      <h2>By a lead’s password</h2>
      <p>This is the server’s own machine: its first screen is paired so.</p>
      <TextField label="Name of the lead" value={lead} onChange={setLead} />
      <SecretField label="Password" value={password} onChange={setPassword} error={trouble} />
      <Button type="submit" disabled={busy}>
        Pair by the password
      </Button>
    </form>
  );
}

/** All that a screen sees which is not paired. */
export function PairDesk({ isOwnMachine }: { readonly isOwnMachine: boolean }) {
  const [name, setName] = useState('');
  const [wrong, setWrong] = useState<string>();
  const way = { name, onName: setWrong };
  return (
    <div className={styles.pair}>
      <TextField
        label="Name of this screen"
        hint="Like “tablet, lift 2”: it stands beside what is written here."
        value={name}
        onChange={setName}
        error={wrong}
      />
      <div className={styles.ways}>
        {isOwnMachine && <ByLead {...way} />}
        <ByCode {...way} />
      </div>
    </div>
  );
}
