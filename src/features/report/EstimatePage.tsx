import type { Estimate } from '@/server/decide/estimate';
import { CardTable } from '@/ui/table';
import { OwnerPlots } from './OwnerPage';
import { ReportHead } from './ReportHead';
import { Warnings } from './Warnings';
import styles from './report.module.css';
import options from '@/ui/shell/options.module.css';

/** Pictures of what was found, each with where it was. */
function FoundPhotos({ photos }: { readonly photos: Estimate['photos'] }) {
  if (photos.length === 0) return null;
  return (
    <div className="d-flex flex-wrap gap-3 mt-2">
      {photos.map(({ sha256, width, height, say }) => (
        <figure key={sha256} className={`${styles.foundPhoto} mb-0`}>
          {/* eslint-disable-next-line @next/next/no-img-element -- pictures come from the shop's own database */}
          <img src={`/api/v1/photos/${sha256}`} alt={say} width={width} height={height} />
          <figcaption className="zh-muted">{say}</figcaption>
        </figure>
      ))}
    </div>
  );
}

/** What the owner is told before any metal is cut: what was found, what can be done, what it costs. */
export function EstimatePage({ estimate }: { readonly estimate: Estimate }) {
  const { head, parts, beside } = estimate;
  return (
    <article className={`zh-card ${styles.report} ${styles.owner} mb-3`}>
      <ReportHead title="Estimate" {...head} />
      <Warnings {...estimate} notSigned={null} />
      {head.complaint !== '' && (
        <p>
          You told us: <em>{head.complaint}</em>
        </p>
      )}
      <section>
        <h2>What we found</h2>
        <ul>
          {estimate.found.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
        <OwnerPlots plots={estimate.plots} />
        <FoundPhotos photos={estimate.photos} />
      </section>
      {parts.map(({ where, ways, notYet }) => (
        <section key={where}>
          <h2>What can be done: {where}</h2>
          {notYet && <p>{notYet}</p>}
          {ways.length > 0 && (
            <CardTable
              className="zh-ways"
              columns={['What', 'Price', 'Without the vehicle', 'Lasts', 'May come back']}
            >
              {ways.map((way) => (
                <tr key={way.what} role="row">
                  <th role="rowheader" scope="row">
                    {way.what}
                    {way.isRecommended && (
                      <>
                        {' '}
                        <span className={`${options.standing} recommended`}>recommended</span>
                        <div className="zh-muted fw-normal">{way.why}</div>
                      </>
                    )}
                  </th>
                  <td role="cell" data-label="Price">
                    <span className="zh-figure">{way.sayPrice}</span>
                  </td>
                  <td role="cell" data-label="Without the vehicle">
                    <span>{way.away}</span>
                  </td>
                  <td role="cell" data-label="Lasts">
                    <span>{way.lasts}</span>
                  </td>
                  <td role="cell" data-label="May come back">
                    <span className="zh-figure">{way.comesBack}</span>
                  </td>
                </tr>
              ))}
            </CardTable>
          )}
        </section>
      ))}
      {beside.length > 0 && (
        <section>
          <h2>Beside the brake discs</h2>
          <ul>
            {beside.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </section>
      )}
      <p>
        {estimate.approval ? (
          <>
            <strong>Agreed.</strong> {estimate.approval.say}{' '}
            <span className="zh-muted">
              Written down by {estimate.approval.by}, {estimate.approval.at}.
            </span>
          </>
        ) : (
          'Not agreed yet.'
        )}
        {estimate.decided && <> Decided now: {estimate.decided.say}.</>}
      </p>
      <p className="zh-muted mb-0">
        Prices are the shop’s own list, tax left out. Figures of what lasts and what may come back
        are predictions from what was measured. The maker’s service information, local rules and a
        licensed technician’s judgement come first.
      </p>
    </article>
  );
}
