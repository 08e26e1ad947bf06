import type { Metadata } from 'next';
import Link from 'next/link';
import { PROCEDURE } from '@/core/contracts';
import { rulesInForce } from '@/core/procedure';
import { GaugeBook } from '@/features/gauges/GaugeBook';
import { PeopleList } from '@/features/people/PeopleList';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { TorqueUnitChoice } from '@/features/settings/TorqueUnitChoice';
import { RuleBook } from '@/features/rules/RuleBook';
import { allGauges } from '@/server/gauges';
import { allPeople } from '@/server/people';
import { shopTorque, shopUnits } from '@/server/settings';
import { whoIsHere } from '@/server/who';
import { shopChoices } from '@/server/strip';

export const metadata: Metadata = { title: 'Workshop' };

export default async function WorkshopPage() {
  const people = await allPeople();
  return (
    <>
      <h1>Workshop</h1>
      <section className="zh-card mb-3" aria-labelledby="people">
        <h2 id="people">People</h2>
        <WhoIsHere people={people} here={(await whoIsHere())?.id ?? null} />
        <PeopleList people={people} />
      </section>
      <section className="zh-card mb-3" aria-labelledby="gauges">
        <h2 id="gauges">Gauges</h2>
        <GaugeBook
          gauges={await allGauges()}
          units={await shopUnits()}
          today={new Date().toISOString().slice(0, 10)}
        />
      </section>
      <section className="zh-card mb-3" aria-labelledby="prices">
        <h2 id="prices">Prices and times</h2>
        <p>Parts, work, lathes and plates: what the options of a job are costed by.</p>
        <Link className="btn btn-outline-secondary" href="/workshop/prices">
          Prices and times
        </Link>
      </section>
      <section className="zh-card mb-3" aria-labelledby="archive">
        <h2 id="archive">In and out</h2>
        <p>Everything on file as one document, and another shop’s records brought in.</p>
        <Link className="btn btn-outline-secondary" href="/workshop/archive">
          In and out
        </Link>
      </section>
      <section className="zh-card mb-3" aria-labelledby="torque">
        <h2 id="torque">Torque is read in</h2>
        <TorqueUnitChoice unit={await shopTorque()} />
      </section>
      <h2>House rules</h2>
      <p>
        Points where good technicians differ, with what speaks for and against each way. What the
        shop chooses is what steps, contact points and figures then say; a job can go another way
        with a reason. The maker’s figure and procedure come first.
      </p>
      <RuleBook rules={rulesInForce(PROCEDURE, await shopChoices())} job={null} />
    </>
  );
}
