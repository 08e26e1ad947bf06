import Link, { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { PROCEDURE } from '@/core/contracts';
import { rulesInForce } from '@/core/procedure';
import { GaugeBook } from '@/features/gauges/GaugeBook';
import { NewPerson } from '@/features/people/NewPerson';
import { PeopleList } from '@/features/people/PeopleList';
import { DefaultsTable } from '@/features/settings/DefaultsTable';
import { PositionsChoice } from '@/features/settings/PositionsChoice';
import { TorqueUnitChoice } from '@/features/settings/TorqueUnitChoice';
import { UnitsSwitch } from '@/features/settings/UnitsSwitch';
import { RuleBook } from '@/features/rules/RuleBook';
import { about } from '@/server/shop/about';
import { isSignInAsked } from '@/server/access/mode';
import { allGauges } from '@/server/measure/gauges';
import { allPeople } from '@/server/shop/people';
import { shopReach } from '@/server/records/reach';
import { shopPositions, shopTorque, shopUnits } from '@/server/shop/settings';
import { shopOfToday } from '@/server/shop/shop';
import { SeenMark } from '@/ui/keeper';
import { ThemeSwitch } from '@/ui/shell';
import { whoIsHere } from '@/server/web/who';
import { shopChoices } from '@/server/shop/rules';
import { SigningIn } from './SigningIn';
import { LastCopy } from './LastCopy';
import lists from '@/ui/shell/lists.module.css';
import options from '@/ui/shell/options.module.css';
import { Here } from '@/app/Here';
import styles from './page.module.css';

export const metadata: Metadata = { title: 'Workshop' };

/** A place of the workshop that has a page of its own. */
function Place({
  id,
  name,
  about: say,
  href,
  children,
}: {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly href: string;
  readonly children?: ReactNode;
}) {
  return (
    <section className="zh-card" aria-labelledby={id}>
      <h2 id={id}>{name}</h2>
      <p>{say}</p>
      {children}
      <ButtonLink variant="outline-secondary" href={href}>
        {name}
      </ButtonLink>
    </section>
  );
}

export default async function WorkshopPage() {
  const shop = await shopReach();
  const people = await allPeople();
  const who = await whoIsHere();
  const units = await shopUnits();
  const { currency } = (await shopOfToday()).prices;
  const { version, node, schema, folder } = about();
  return (
    <>
      <SeenMark reach={{ shop }} />
      <h1>Workshop</h1>
      <section className="zh-card mb-3" aria-labelledby="people">
        <h2 id="people">People</h2>
        <Here isWhole />
        {isSignInAsked() && who?.role === 'lead' && <NewPerson isFirst={false} />}
        <PeopleList people={people} />
      </section>
      {who?.role === 'lead' && <SigningIn people={people} />}
      <section className="zh-card mb-3" aria-labelledby="gauges">
        <h2 id="gauges">Gauges</h2>
        <GaugeBook
          gauges={await allGauges()}
          units={units}
          today={new Date().toISOString().slice(0, 10)}
        />
      </section>
      <div className={`${lists.columns} mb-3`}>
        <section className="zh-card" aria-labelledby="units">
          <h2 id="units">Units and theme</h2>
          <div className="d-flex flex-wrap align-items-center gap-2 mb-3">
            Lengths are shown in <UnitsSwitch units={units} /> Light or dark on this screen:{' '}
            <ThemeSwitch />
          </div>
          <h3>Torque is read in</h3>
          <TorqueUnitChoice unit={await shopTorque()} />
        </section>
        <section className="zh-card" aria-labelledby="defaults">
          <h2 id="defaults">Defaults</h2>
          <PositionsChoice positions={await shopPositions()} />
          <DefaultsTable units={units} />
        </section>
      </div>
      <div className={`${lists.columns} mb-3`}>
        <Place
          id="prices"
          name="Prices and times"
          about={`Parts, work, lathes and plates: what the options of a job are costed by${currency ? `, in ${currency}` : ''}.`}
          href="/workshop/prices"
        />
        <Place
          id="archive"
          name="In and out"
          about="Everything on file as one open document, tables for a spreadsheet, and another shop’s records brought in."
          href="/workshop/archive"
        />
        <Place
          id="copies"
          name="Copies"
          about="A copy of every night, one made by hand, and the way back from either."
          href="/workshop/copies"
        >
          <LastCopy />
        </Place>
        <section className="zh-card" aria-labelledby="program">
          <h2 id="program">This program</h2>
          <dl className={`${options.life} mb-2`}>
            <dt>Version</dt>
            <dd className="zh-figure">{version}</dd>
            <dt>Records</dt>
            <dd className={styles.path}>{folder ?? 'in a PostgreSQL server'}</dd>
            <dt>Schema, Node</dt>
            <dd className={styles.path}>
              {schema}, {node}
            </dd>
          </dl>
          <Link className="zh-link" href="/workshop/licences">
            Licences
          </Link>
        </section>
      </div>
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
