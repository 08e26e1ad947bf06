/** A short tone, where the browser makes any: two notes up for go, one for done. */
export function chime(kind: 'go' | 'done'): void {
  try {
    const context = new AudioContext();
    const notes = kind === 'go' ? [660, 880] : [880];
    notes.forEach((pitch, i) => {
      const tone = context.createOscillator();
      const loud = context.createGain();
      const begin = context.currentTime + i * 0.18;
      tone.frequency.value = pitch;
      loud.gain.setValueAtTime(0.0001, begin);
      loud.gain.exponentialRampToValueAtTime(0.4, begin + 0.02);
      loud.gain.exponentialRampToValueAtTime(0.0001, begin + 0.16);
      tone.connect(loud).connect(context.destination);
      tone.start(begin);
      tone.stop(begin + 0.17);
      if (i === notes.length - 1) tone.onended = () => void context.close();
    });
  } catch {
    // No sound here: the page says it in words.
  }
}
