'use client';

import { Form } from 'react-bootstrap';
import { keepSound, useSound, type Sound } from './sounds';

const LABEL: Readonly<Record<Sound, string>> = {
  off: 'nothing',
  tones: 'a tone for each reading',
  voice: 'a tone, and the place and figure said',
};

/** What is heard while a set is read: off until it is switched on, kept on this device. */
export function SoundChoice() {
  const chosen = useSound();
  const hasVoice = typeof window !== 'undefined' && 'speechSynthesis' in window;
  return (
    <Form.Group controlId="bench-sound" className="d-flex gap-2 align-items-center mt-2">
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
