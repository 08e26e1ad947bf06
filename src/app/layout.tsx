import '@/ui/bootstrap.scss';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@/ui/theme.css';
import type { Metadata, Viewport } from 'next';
import Link from '@/ui/Link';
import { cookies, headers } from 'next/headers';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { Palette } from '@/features/find/Palette';
import { UnitsSwitch } from '@/features/settings/UnitsSwitch';
import { Unsent } from '@/features/unsent/Unsent';
import { UnsentBadge } from '@/features/unsent/UnsentBadge';
import { PracticeBand } from '@/features/practice/stages/PracticeBand';
import { sayNearlyFull } from '@/server/records/disk';
import { sayEndedLog } from '@/server/records/endedLog';
import { sayPageDamage } from '@/server/records/pageCheck';
import { shopUnits } from '@/server/shop/settings';
import { isSignInAsked } from '@/server/access/mode';
import { shopAddress } from '@/server/practice/door';
import { isPractice } from '@/server/store';
import { whoIsHere } from '@/server/web/who';
import { appName } from './appName';
import { PasswordAgain, SignedIn, SignedOut } from '@/ui/access';
import { HeldSince, KeeperProvider } from '@/ui/keeper';
import { EARLY_SCRIPT } from '@/ui/keeper/early';
import { HoldProgram } from '@/ui/offline';
import {
  DEVICE_THEME_SCRIPT,
  HeaderNav,
  Logo,
  Shortcuts,
  THEME_COOKIE,
  THEMES,
  ThemeSwitch,
} from '@/ui/shell';
import styles from './layout.module.css';

export function generateMetadata(): Metadata {
  const name = appName();
  return {
    title: { default: name, template: `%s \u00b7 ${name}` },
    description: 'Tracks a brake complaint to its source.',
  };
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Every page is rendered on request: a prerendered one would not carry the request's nonce.
  await connection();
  const chosen = (await cookies()).get(THEME_COOKIE)?.value;
  const theme = THEMES.find((each) => each === chosen);
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const who = await whoIsHere();
  // A screen at which nobody is signed in shows nothing of the shop.
  const isIn = !isSignInAsked() || who !== null;
  const said = isIn ? [sayPageDamage(), sayEndedLog(), sayNearlyFull()] : [];
  const warnings = said.filter((each) => each !== null);
  return (
    <html lang="en" data-bs-theme={theme ?? 'light'} suppressHydrationWarning>
      <body>
        {!theme && (
          <script
            nonce={nonce}
            suppressHydrationWarning
            dangerouslySetInnerHTML={{ __html: DEVICE_THEME_SCRIPT }}
          />
        )}
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: EARLY_SCRIPT }}
        />
        <a className={styles.skip} href="#main">
          Skip to the content
        </a>
        <KeeperProvider who={who?.id ?? null}>
          <header className={styles.header} data-part="header">
            <div className={styles.headerInner} data-part="header-inner">
              <Link href="/" className={styles.brand}>
                <Logo />
                <span className={styles.brandName}>Zesty Hound</span>
              </Link>
              {isIn && <HeaderNav />}
              <UnsentBadge />
              <div className={styles.tools} data-part="tools">
                {isSignInAsked() && who && <SignedIn name={who.name} />}
                {isIn && <Palette />}
                {isIn && <UnitsSwitch units={await shopUnits()} />}
                <ThemeSwitch />
                {isIn && <Shortcuts />}
              </div>
            </div>
          </header>
          {isSignInAsked() && isIn && !isPractice() && <HoldProgram />}
          {isIn && <Unsent />}
          {isSignInAsked() && who?.role === 'lead' && <PasswordAgain name={who.name} />}
          <main id="main" className={styles.page} data-part="page">
            {warnings.map((warning) => (
              <p key={warning} className="zh-stop zh-no-print" role="alert">
                {warning}
              </p>
            ))}
            {isSignInAsked() && <SignedOut />}
            {isSignInAsked() && <HeldSince />}
            {isPractice() ? (
              <PracticeBand home={await shopAddress('/practice')}>{children}</PracticeBand>
            ) : (
              children
            )}
          </main>
        </KeeperProvider>
      </body>
    </html>
  );
}
