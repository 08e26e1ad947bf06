import type { RecordedFinding } from './types';

/** Findings on which a vehicle is not driven, and the words for it. Source: handbook 13. */
const NO_DRIVE: readonly { readonly code: string; readonly value: string; readonly why: string }[] =
  [
    { code: 'pedal-feel', value: 'soft', why: 'the pedal is soft' },
    { code: 'pump-test', value: 'sinks', why: 'the pedal sinks' },
    { code: 'noise', value: 'grind', why: 'metal is on metal' },
    { code: 'leak-check', value: 'leak', why: 'fluid leaks' },
    { code: 'face-check', value: 'crack', why: 'a rotor is cracked' },
  ];

/** Why no road test may be driven, or null where nothing recorded forbids it. */
export function advisesNoDrive(findings: readonly RecordedFinding[]): string | null {
  const reasons = NO_DRIVE.filter((rule) =>
    findings.some(({ code, value }) => code === rule.code && value === rule.value),
  ).map(({ why }) => why);
  return reasons.length > 0 ? reasons.join(', ') : null;
}
