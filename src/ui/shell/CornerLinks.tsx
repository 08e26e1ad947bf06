import { ButtonLink } from '@/ui/Link';
import { CORNER_NAME, type Corner } from '@/core/readings';

/** The corners as places to go, one of them the one shown. */
export function CornerLinks({
  corners,
  current,
  base,
}: {
  corners: readonly Corner[];
  current: Corner;
  base: string;
}) {
  return (
    <nav className="zh-tabs" aria-label="Corners">
      {corners.map((corner) => (
        <ButtonLink
          key={corner}
          variant="outline-secondary"
          className="zh-figure"
          href={`${base}/${corner}`}
          aria-current={corner === current ? 'true' : undefined}
          title={CORNER_NAME[corner]}
        >
          {corner}
        </ButtonLink>
      ))}
    </nav>
  );
}
