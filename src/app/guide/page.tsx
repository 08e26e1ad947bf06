import { readFile } from 'node:fs/promises';
import type { Metadata } from 'next';
import path from 'node:path';
import Markdown from 'react-markdown';
import rehypeSlug from 'rehype-slug';
import styles from './page.module.css';

export const metadata: Metadata = { title: 'Guide' };

const FILE = path.join(process.cwd(), 'docs', 'guide.md');
/** As large as the pictures of a desk are taken. */
const DESK = { width: 1280, height: 800 };

/** The guide of docs/guide.md, with its pictures, to be read beside the work. */
export default async function GuidePage() {
  const text = await readFile(FILE, 'utf8');
  const chapters = [...text.matchAll(/^## (.+)$/gm)].map(([, title = '']) => title);
  const anchorOf = (title: string): string => title.toLowerCase().replaceAll(' ', '-');
  return (
    <article className={`zh-card ${styles.guide}`}>
      <nav aria-label="Chapters">
        {chapters.map((title) => (
          <a key={title} className="zh-link me-3" href={`#${anchorOf(title)}`}>
            {title}
          </a>
        ))}
      </nav>
      <Markdown
        rehypePlugins={[rehypeSlug]}
        components={{
          img: ({ src, alt }) => (
            // eslint-disable-next-line @next/next/no-img-element -- a picture of the program's own, sent as it is
            <img
              src={String(src).replace('screenshots/', '/guide/')}
              alt={alt ?? ''}
              {...(String(src).includes('phone') ? {} : DESK)}
              loading="lazy"
            />
          ),
          pre: ({ children }) => (
            <pre className="zh-scroll" tabIndex={0}>
              {children}
            </pre>
          ),
        }}
      >
        {text}
      </Markdown>
    </article>
  );
}
