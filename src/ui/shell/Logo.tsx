/** The hound's head; its ear is a quarter of a rotor. */
export function Logo({ size = 32 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <path
        d="M6 13c0-5 4-8 9-8h3l9 7c1.6 1.2 1.5 3.2 0 4l-5 2.5-3 7.5H9c-3 0-4-2-3.6-5z"
        fill="var(--zh-ink)"
      />
      <path d="M4 6h11v3.2a7.8 7.8 0 0 1-7.8 7.8H4z" fill="var(--zh-zest-strong)" />
      <path d="M4 6h4.5v1.3A3.2 3.2 0 0 1 5.3 10.5H4z" fill="var(--zh-card)" />
      <circle cx="19.5" cy="11" r="1.3" fill="var(--zh-card)" />
    </svg>
  );
}
