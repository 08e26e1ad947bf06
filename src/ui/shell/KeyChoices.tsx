import { FormControl } from 'react-bootstrap';
import { useState } from 'react';
import { chooseKey, KEY_USES, SINGLE_KEYS, useKeyFor, type KeyUse } from '../keys';
import shell from './shell.module.css';

/** One key of a letter, and the field to give it another. */
function KeyChoice({ use }: { readonly use: KeyUse }) {
  const key = useKeyFor(use);
  const [trouble, setTrouble] = useState<string | null>(null);
  return (
    <div className="d-flex gap-3 align-items-center mb-1">
      <FormControl
        key={key}
        className={`zh-figure text-center ${shell.key}`}
        maxLength={1}
        autoComplete="off"
        autoCapitalize="none"
        aria-label={`Key for ${SINGLE_KEYS[use].what}`}
        aria-invalid={trouble !== null}
        defaultValue={key}
        onFocus={({ target }) => target.select()}
        onChange={({ target }) => {
          // An emptied field waits for its letter.
          if (target.value !== '') setTrouble(chooseKey(use, target.value));
        }}
        onBlur={({ target }) => {
          target.value = key;
          setTrouble(null);
        }}
      />
      <span>
        {SINGLE_KEYS[use].what}
        {trouble && (
          <span className="zh-error d-block" role="alert">
            {trouble}
          </span>
        )}
      </span>
    </div>
  );
}

/** The keys of one letter at this device: each can be given another. */
export const KeyChoices = () => (
  <details className="mb-2">
    <summary>Other letters for them</summary>
    {KEY_USES.map((use) => (
      <KeyChoice key={use} use={use} />
    ))}
  </details>
);
