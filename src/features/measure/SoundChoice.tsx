'use client';

import { useSyncExternalStore } from 'react';
import { Form } from 'react-bootstrap';
import { keepSound, useSound, type Sound } from './sounds';

const LABEL: Readonly<Record<Sound, string>> = {
  off: 'nothing',
  tones: 'a tone for each reading',
  voice: 'a tone, and the place and figure said',
};

/** A browser does not gain a voice while it runs. */
const never = () => () => undefined;

/** What is heard while a set is read: off until it is switched on, kept on this device. */
export function SoundChoice() {
  const chosen = useSound();
  // The server cannot know it: the page comes without, and has it once it is alive.
  const hasVoice = useSyncExternalStore(
    never,
    () => 'speechSynthesis' in window,
    () => false,
  );
  return (
    <Form.Group controlId="bench-sound" className="d-flex flex-wrap gap-2 align-items-center mt-2">
      <Form.Label className="mb-0">Heard at a reading</Form.Label>
      <Form.Select
        className="w-auto"
        value={chosen}
        onChange={(event) => keepSound(event.target.value as Sound)}
      >
        {(Object.keys(LABEL) as Sound[])
          .filter((each) => each !== 'voice' || hasVoice)
          .map((each) => (
            <option key={each} value={each}>
              {LABEL[each]}
            </option>
          ))}
      </Form.Select>
    </Form.Group>
  );
}
