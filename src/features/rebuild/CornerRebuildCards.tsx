import { ButtonLink } from '@/ui/Link';
import photos from '@/ui/shell/photos.module.css';
import styles from './rebuild.module.css';

/** How far a corner is as it goes together. */
export interface CornerRebuild {
  readonly corner: string;
  readonly name: string;
  readonly wheelOff: boolean;
  readonly steps: number;
  readonly stepsDone: number;
  readonly inTray: number;
  readonly fasteners: number;
  readonly pulled: number;
  readonly noFigure: number;
  readonly star: number;
  readonly starOf: number;
}

/** The corners of the job, and the ways into their rebuild. */
export function CornerRebuildCards({
  jobId,
  corners,
}: {
  readonly jobId: string;
  readonly corners: readonly CornerRebuild[];
}) {
  return (
    <div className={photos.cornerCards}>
      {corners.map((each) => (
        <section key={each.corner} className="zh-card" aria-label={each.name}>
          <h2>
            <span className="zh-figure">{each.corner}</span> {each.name}
          </h2>
          {each.wheelOff ? (
            <ul className="list-unstyled mb-2">
              <li>
                <span className="zh-figure">
                  {each.stepsDone}/{each.steps}
                </span>{' '}
                steps
              </li>
              <li>
                <span className="zh-figure">
                  {each.pulled}/{each.fasteners}
                </span>{' '}
                torques
                {each.noFigure > 0 && (
                  <strong className={styles.missing}> · {each.noFigure} without a figure</strong>
                )}
              </li>
              <li>
                <span className="zh-figure">
                  {each.star}/{each.starOf}
                </span>{' '}
                pulls of the star
              </li>
              <li>
                {each.inTray === 0 ? (
                  'Tray empty'
                ) : (
                  <>
                    <span className="zh-figure">{each.inTray}</span> still in the tray
                  </>
                )}
              </li>
            </ul>
          ) : (
            <p>Its wheel stayed on.</p>
          )}
          <div className="d-flex flex-wrap gap-2">
            <ButtonLink variant="outline-secondary" href={`/jobs/${jobId}/rebuild/${each.corner}`}>
              Step by step
            </ButtonLink>
            <ButtonLink
              variant="outline-secondary"
              href={`/jobs/${jobId}/rebuild/${each.corner}/torque`}
            >
              Torque
            </ButtonLink>
            <ButtonLink
              variant="outline-secondary"
              href={`/jobs/${jobId}/rebuild/${each.corner}/tray`}
            >
              Tray
            </ButtonLink>
          </div>
        </section>
      ))}
    </div>
  );
}
