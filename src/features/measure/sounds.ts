import { keepDeviceText, useDeviceText } from '@/ui/deviceText';
import type { Heard, HeardAs } from './heard';

const STORED = 'zh-bench-sound';
/** Off until it is switched on; a voice only where the browser has one. */
export type Sound = 'off' | 'tones' | 'voice';

const SOUNDS: readonly Sound[] = ['off', 'tones', 'voice'];

/** What is heard on this device. */
export const useSound = (): Sound => {
  const stored = useDeviceText(STORED);
  return SOUNDS.find((each) => each === stored) ?? 'off';
};
export const keepSound = (sound: Sound): void =>
  keepDeviceText(STORED, sound === 'off' ? null : sound);

interface Tone {
  readonly hertz: readonly number[];
  readonly seconds: number;
}

/** One short tone for a reading, a falling pair for one that is doubted, a rising one at the end. */
const TONES: Readonly<Record<HeardAs, Tone>> = {
  taken: { hertz: [880], seconds: 0.07 },
  doubted: { hertz: [440, 330], seconds: 0.14 },
  end: { hertz: [660, 880, 1100], seconds: 0.09 },
};

let context: AudioContext | null = null;

function play({ hertz, seconds }: Tone): void {
  if (typeof AudioContext === 'undefined') return;
  context ??= new AudioContext();
  const start = context.currentTime;
  hertz.forEach((each, i) => {
    const [tone, level] = [context!.createOscillator(), context!.createGain()];
    tone.frequency.value = each;
    const at = start + i * seconds;
    level.gain.setValueAtTime(0.15, at);
    // Cut off it would click.
    level.gain.exponentialRampToValueAtTime(0.001, at + seconds);
    tone.connect(level).connect(context!.destination);
    tone.start(at);
    tone.stop(at + seconds);
  });
}

/** Plays and says what was heard, as far as this device is to. */
export function sound(heard: Heard, as: Sound): void {
  if (as === 'off') return;
  play(TONES[heard.as]);
  if (as !== 'voice' || typeof speechSynthesis === 'undefined') return;
  // What is said is of the latest reading: whoever reads quickly does not wait for the voice.
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(heard.spoken));
}
