import type { Metadata } from 'next';
import { z } from 'zod';
import { KNOWLEDGE, PROCEDURE } from '@/core/contracts';
import { InsightsBoard } from '@/features/insights/InsightsBoard';
import { insightsOf } from '@/server/records/insights';
import { shopUnits } from '@/server/shop/settings';

export const metadata: Metadata = { title: 'Insights' };

const yearSchema = z.coerce.number().int().min(1900).max(9999).nullable().catch(null);

/** Names of what can be found: what is seen at a corner, and what is measured beyond its limit. */
const FINDINGS: Readonly<Record<string, string>> = {
  'measured=runout': 'Runout beyond its limit',
  'measured=dtv': 'Thickness variation beyond its limit',
  'measured=discard': 'Below discard thickness',
  ...Object.fromEntries(
    PROCEDURE.items.flatMap(({ code, name, conditions }) =>
      conditions.map((condition) => [
        `${code}=${condition.code}`,
        `${name}: ${condition.name.toLowerCase()}`,
      ]),
    ),
  ),
};
const CAUSES = Object.fromEntries(
  [...KNOWLEDGE.causes, ...KNOWLEDGE.former].map(({ code, name }) => [code, name]),
);

export default async function InsightsPage({
  searchParams,
}: {
  searchParams: Promise<{ year?: string }>;
}) {
  const year = yearSchema.parse((await searchParams).year ?? null);
  return (
    <>
      <h1>Insights</h1>
      <InsightsBoard
        view={await insightsOf(year)}
        year={year}
        units={await shopUnits()}
        causes={CAUSES}
        findings={FINDINGS}
      />
    </>
  );
}
