import { PROCEDURE } from '@/core/contracts';
import { isChoice, type Finding } from '@/core/diagnosis';
import { customerSays, readRatio, shownOf, usualAnswer, type FindCase } from '@/core/practice';
import { lookOfFinding } from '@/core/procedure';
import { CORNER_NAME } from '@/core/readings';
import { formatIn, type UnitSystem } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';

/** The limits of the figures that are read, in µm: those of a workshop that knows no others. */
const LIMITS: Readonly<Record<string, number>> = {
  'thickness-variation': WORKSHOP_DEFAULTS.thicknessVariation,
  'end-play': WORKSHOP_DEFAULTS.endPlay,
};

function sayFigure(finding: Finding, value: string | number, units: UnitSystem): string {
  const limit = LIMITS[finding.code] ?? WORKSHOP_DEFAULTS.runout;
  const ratio = Number(value);
  return `${formatIn(units, 'deviation', ratio * limit)}, ${ratio.toFixed(1)} × its limit`;
}

/** How what was seen looked, in the words by which it is known; empty where there are none. */
function tellOf(code: string, value: string): string {
  const look = lookOfFinding(PROCEDURE, { code, value });
  const item = PROCEDURE.items.find((each) => each.code === look?.item);
  const seen = item?.conditions.find((each) => look?.found.includes(each.code));
  return seen ? `. ${seen.tell}` : '';
}

/**
 * What was found, in words: what the customer says, what a look shows and where, what a gauge reads; `read` where
 * somebody read it with a gauge.
 */
export function sayShown(
  own: FindCase,
  finding: Finding,
  units: UnitSystem,
  read?: string | number,
): string {
  const { value: shown, isDoubted } = shownOf(own, finding.code);
  const value = read ?? (isChoice(finding) ? shown : readRatio(shown));
  const said = customerSays(finding.code, String(value), isDoubted);
  if (finding.stage === 'complaint' && said !== null) return `“${said}”`;
  const text = isChoice(finding)
    ? (finding.values.find(({ code }) => code === value)?.label ?? String(value))
    : sayFigure(finding, value, units);
  if (!finding.perCorner || usualAnswer(finding)?.code === value) return text;
  const tell = finding.stage === 'inspect' ? tellOf(finding.code, String(value)) : '';
  return `${text} (${CORNER_NAME[own.corner]})${tell}`;
}
