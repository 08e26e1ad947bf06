export const THEMES = ['light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];
export const THEME_COOKIE = 'zh-theme';

/** Runs before the page is painted when no theme was chosen: takes the device's. */
export const DEVICE_THEME_SCRIPT =
  "document.documentElement.dataset.bsTheme=matchMedia('(prefers-color-scheme: dark)').matches?'dark':'light'";
