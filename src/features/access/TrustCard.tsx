import { FileLink } from '@/ui/Link';
import styles from './access.module.css';

interface TrustCardProps {
  readonly href: string;
  readonly fingerprint: string;
}

/** How a screen comes to trust the server: then it is never asked, and goes on without it. */
export function TrustCard({ href, fingerprint }: TrustCardProps) {
  return (
    <details className="mb-3">
      <summary className="zh-fold">Trust this server on this screen</summary>
      <p>
        A screen that trusts the shop’s authority is not asked whether to go on, and works on while
        the server cannot be reached. It vouches for addresses inside a house and the names of this
        machine, for nothing else.
      </p>
      <ol>
        <li>
          Compare its SHA-256 with the one that the server’s terminal says:
          <br />
          <span className={`zh-figure ${styles.fingerprint}`}>{fingerprint}</span>
        </li>
        <li>
          <FileLink
            variant="outline-secondary"
            className="my-2"
            href={href}
            download="zesty-hound.crt"
          >
            Its certificate
          </FileLink>
        </li>
        <li>
          Put it among the authorities that this screen trusts: in the settings of the tablet, or of
          the browser, under security or certificates. Then open this page anew.
        </li>
      </ol>
    </details>
  );
}
