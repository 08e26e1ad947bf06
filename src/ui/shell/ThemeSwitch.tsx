'use client';

import { Button } from 'react-bootstrap';
import { Moon } from 'lucide-react';
import { THEME_COOKIE } from './theme';

const YEAR_IN_SECONDS = 31_536_000;

function switchTheme(): void {
  const root = document.documentElement;
  const next = root.dataset.bsTheme === 'dark' ? 'light' : 'dark';
  root.dataset.bsTheme = next;
  document.cookie = `${THEME_COOKIE}=${next}; path=/; max-age=${YEAR_IN_SECONDS}; samesite=strict`;
}

/** Switches between the light and the dark theme and remembers it on this device. */
export function ThemeSwitch() {
  return (
    <Button type="button" variant="outline-secondary" onClick={switchTheme} title="Light or dark">
      <Moon size={20} aria-hidden="true" />
      <span className="visually-hidden">Switch between light and dark</span>
    </Button>
  );
}
