import { answersIn } from './several';
import type { RecordedFinding } from './types';

/** Findings on which a vehicle is not driven, and the words for it. Source: handbook 13. */
const NO_DRIVE: readonly { readonly code: string; readonly value: string; readonly why: string }[] =
  [
    { code: 'pedal-feel', value: 'soft', why: 'the pedal is soft' },
    { code: 'pedal-feel', value: 'sinks', why: 'the pedal sinks' },
    { code: 'pump-test', value: 'sinks', why: 'the pedal sinks' },
    { code: 'noise', value: 'grind', why: 'metal is on metal' },
    { code: 'leak-check', value: 'leak', why: 'fluid leaks' },
    { code: 'face-check', value: 'crack', why: 'a rotor is cracked' },
    { code: 'fixing-check', value: 'loose', why: 'a bracket or caliper is loose' },
    { code: 'nut-check', value: 'loose', why: 'a wheel is loose' },
  ];

/** Why no road test may be driven, or null where nothing recorded forbids it. */
export function advisesNoDrive(findings: readonly RecordedFinding[]): string | null {
  const reasons = NO_DRIVE.filter((rule) =>
    findings.some(({ code, value }) => code === rule.code && answersIn(value).includes(rule.value)),
  ).map(({ why }) => why);
  return reasons.length > 0 ? [...new Set(reasons)].join(', ') : null;
}
