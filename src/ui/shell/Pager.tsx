import { ButtonLink } from '@/ui/Link';

/** The way to the pages before and after, with the words of the list; nothing where there is one page. */
export function Pager({
  page,
  pages,
  isMore,
  hrefOf,
  before = 'Before',
  next = 'Next',
}: {
  readonly page: number;
  /** How many there are; null where they are not counted. */
  readonly pages: number | null;
  readonly isMore: boolean;
  readonly hrefOf: (page: number) => string;
  readonly before?: string;
  readonly next?: string;
}) {
  if (page === 1 && !isMore) return null;
  return (
    <nav className="d-flex gap-3 align-items-center mt-3" aria-label="Pages">
      {page > 1 && (
        <ButtonLink variant="outline-secondary" href={hrefOf(page - 1)}>
          {before}
        </ButtonLink>
      )}
      <span>
        Page {page}
        {pages !== null && ` of ${pages}`}
      </span>
      {isMore && (
        <ButtonLink variant="outline-secondary" href={hrefOf(page + 1)}>
          {next}
        </ButtonLink>
      )}
    </nav>
  );
}
