import { drawJob, type VirtualJob } from '../src/core/bench';
import { KNOWLEDGE } from '../src/core/contracts';
import { conclude, diagnose, weigh, type RecordedFinding } from '../src/core/diagnosis';
import { seededRandom, type RandomSource } from '../src/core/numeric';

const JOBS = 3000;
const FOLLOWED = 300;
const BINS = 10;

/** Reliability: what was promised against what came true, over all causes of all jobs. */
function reliability(jobs: readonly VirtualJob[]): void {
  const bins = Array.from({ length: BINS }, () => ({ n: 0, promised: 0, kept: 0 }));
  let first = 0;
  for (const { cause, axle, findings } of jobs) {
    const causes = weigh(KNOWLEDGE, { findings, axle });
    if (causes[0]?.code === cause) first += 1;
    for (const { code, probability } of causes) {
      const bin = bins[Math.min(BINS - 1, Math.floor(probability * BINS))]!;
      bin.n += 1;
      bin.promised += probability;
      bin.kept += code === cause ? 1 : 0;
    }
  }
  console.log(`\nDiagnosis on ${jobs.length} simulated jobs, everything looked at\n`);
  console.log('| probability said | causes | mean said | came true |\n| --- | --- | --- | --- |');
  bins.forEach(({ n, promised, kept }, i) =>
    console.log(
      `| ${i * BINS} to ${(i + 1) * BINS} % | ${n} | ${((100 * promised) / n).toFixed(1)} % | ${((100 * kept) / n).toFixed(1)} % |`,
    ),
  );
  const share = first / jobs.length;
  const error = Math.sqrt((share * (1 - share)) / jobs.length);
  console.log(
    `\nTrue cause first: ${(100 * share).toFixed(1)} % ± ${(100 * error).toFixed(1)} % (limit 85 %)`,
  );
}

/** How many findings are known; all of them last. */
const KNOWN = [3, 6, 12, Infinity];

/**
 * Expected calibration error of the first cause: what it was given against how often it was right, in ten
 * bands, each by the jobs in it; with so many findings known, any of the job’s.
 */
function calibration(jobs: readonly VirtualJob[], name: string, random: RandomSource): void {
  console.log(`\nThe first cause of ${jobs.length} simulated jobs, ${name}\n`);
  console.log(
    '| findings known | right | said, on average | calibration error |\n| --- | --- | --- | --- |',
  );
  for (const known of KNOWN) {
    const bins = Array.from({ length: BINS }, () => ({ n: 0, said: 0, right: 0 }));
    for (const { cause, axle, findings } of jobs) {
      const some = [...findings]
        .map((finding) => ({ finding, at: random.uniform() }))
        .sort((p, q) => p.at - q.at)
        .slice(0, known)
        .map(({ finding }) => finding);
      const [first] = weigh(KNOWLEDGE, { findings: some, axle });
      const bin = bins[Math.min(BINS - 1, Math.floor(first!.probability * BINS))]!;
      bin.n += 1;
      bin.said += first!.probability;
      bin.right += first!.code === cause ? 1 : 0;
    }
    const sum = (of: 'said' | 'right'): number => bins.reduce((all, bin) => all + bin[of], 0);
    const error = bins.reduce((all, { said, right }) => all + Math.abs(said - right), 0);
    const percent = (share: number): string => `${((100 * share) / jobs.length).toFixed(1)} %`;
    console.log(
      `| ${known === Infinity ? 'all' : known} | ${percent(sum('right'))} | ${percent(sum('said'))} | ${(error / jobs.length).toFixed(3)} |`,
    );
  }
}

const asked = new Set(
  KNOWLEDGE.findings.filter(({ stage }) => stage === 'complaint').map(({ code }) => code),
);
const fixedList = KNOWLEDGE.findings.filter(({ code }) => !asked.has(code));

interface Followed {
  readonly minutes: number;
  readonly settled: boolean;
  readonly right: boolean;
}

/** Follows a way of choosing checks until the job settles or nothing is left. */
function follow(
  job: VirtualJob,
  choose: (found: readonly RecordedFinding[]) => string | undefined,
): Followed {
  const found = job.findings.filter(({ code }) => asked.has(code));
  let minutes = 0;
  let isOff = false;
  for (;;) {
    const causes = weigh(KNOWLEDGE, { findings: found, axle: job.axle });
    const { settled, joined } = conclude(KNOWLEDGE, causes);
    const named = [causes[0]?.code, ...(joined ? [joined.effect.code, joined.source.code] : [])];
    if (settled) return { minutes, settled, right: named.includes(job.cause) };
    const next = choose(found);
    const check = KNOWLEDGE.findings.find(({ code }) => code === next);
    if (!check) return { minutes, settled: false, right: false };
    minutes += check.minutes + (check.wheelOff && !isOff ? KNOWLEDGE.wheelOffMinutes : 0);
    isOff ||= check.wheelOff;
    found.push(...job.findings.filter(({ code }) => code === check.code));
  }
}

function minutesToSettle(jobs: readonly VirtualJob[]): void {
  const guided = jobs.map((job) =>
    follow(
      job,
      (findings) => diagnose(KNOWLEDGE, { findings, axle: job.axle }).nextChecks[0]?.code,
    ),
  );
  const fixed = jobs.map((job) =>
    follow(
      job,
      (found) => fixedList.find(({ code }) => !found.some((each) => each.code === code))?.code,
    ),
  );
  const line = (name: string, runs: readonly Followed[]): number => {
    const mean = runs.reduce((sum, { minutes }) => sum + minutes, 0) / runs.length;
    const spread = Math.sqrt(
      runs.reduce((sum, { minutes }) => sum + (minutes - mean) ** 2, 0) / runs.length ** 2,
    );
    const settled = runs.filter((run) => run.settled);
    const right = settled.filter((run) => run.right).length / settled.length;
    console.log(
      `| ${name} | ${mean.toFixed(1)} ± ${spread.toFixed(1)} | ${((100 * settled.length) / runs.length).toFixed(0)} % | ${(100 * right).toFixed(0)} % |`,
    );
    return mean;
  };
  console.log(`\nMinutes of checks until settled (75 %), ${jobs.length} simulated jobs\n`);
  console.log('| way | minutes | settled | of these right |\n| --- | --- | --- | --- |');
  const saved = 1 - line('next check', guided) / line('fixed list', fixed);
  console.log(`\nSaved by following the next check: ${(100 * saved).toFixed(0)} % (limit 30 %)`);
}

/** How often what is of one group shows alike: answers of one driver, looks at one part. */
const TOGETHER = 0.7;

const random = seededRandom(2026);
const draw = (count: number): VirtualJob[] =>
  Array.from({ length: count }, () => drawJob(KNOWLEDGE, random));
const jobs = draw(JOBS);
reliability(jobs);
calibration(jobs, 'each finding drawn by itself', random);
const alike = Array.from({ length: JOBS }, () =>
  drawJob(KNOWLEDGE, random, { together: TOGETHER }),
);
calibration(alike, `findings of one group alike in ${100 * TOGETHER} %`, random);
minutesToSettle(draw(FOLLOWED));
