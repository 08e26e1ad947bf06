import type { Page } from '@playwright/test';

/** Smallest text, in a drawing, and smallest side of what is touched, in px. */
const FLOOR = { text: 14, drawn: 12, target: 44 };

/**
 * What eyes and fingers would find wrong with the page as it stands, each as one line. Of what is `alike` under one
 * parent so many are looked at: a long book is written by one hand.
 */
export const seenFaults = (page: Page, alike = Infinity): Promise<string[]> =>
  page.evaluate(
    ({ floor, most }) => {
      const faults = new Set<string>();
      const nameOf = (element: Element): string => {
        const own = element.getAttribute('aria-label') ?? element.textContent;
        const classes = [...element.classList].slice(0, 2).map((each) => `.${each}`);
        return `${element.tagName.toLowerCase()}${classes.join('')} “${own.trim().slice(0, 30)}”`;
      };
      const more = new Set<Element>();
      for (const parent of document.querySelectorAll('main :is(ul, ol, dl, tbody, div, section)')) {
        const kinds = new Map<string, number>();
        for (const child of parent.children) {
          const kind = `${child.tagName} ${child.className}`;
          const before = kinds.get(kind) ?? 0;
          kinds.set(kind, before + 1);
          if (before >= most) more.add(child);
        }
      }
      const isOneMore = (element: Element | null): boolean =>
        element !== null && (more.has(element) || isOneMore(element.parentElement));
      const isSeen = (element: Element): boolean =>
        !(more.size > 0 && isOneMore(element)) &&
        element.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
        element.closest('.visually-hidden, [href="#main"], [aria-hidden="true"] > script') === null;

      const { scrollWidth, clientWidth } = document.documentElement;
      if (scrollWidth > clientWidth) {
        const wide = [...document.querySelectorAll('main *')].filter(
          (each) => each.getBoundingClientRect().right > clientWidth + 1 && isSeen(each),
        );
        faults.add(`${scrollWidth} px wide in ${clientWidth}: ${wide[0] ? nameOf(wide[0]) : '?'}`);
      }

      // A place of a drawing has its like in the list beside it.
      /** A tick is touched by its label as well; a link within a sentence is as high as its line. */
      const boxesOf = (element: Element): DOMRect[] => [
        element.getBoundingClientRect(),
        ...(element instanceof HTMLInputElement
          ? [...(element.labels ?? [])].map((label) => label.getBoundingClientRect())
          : []),
      ];
      const isInSentence = (element: Element): boolean =>
        getComputedStyle(element).display === 'inline' &&
        [...(element.parentElement?.childNodes ?? [])].some(
          (each) => each !== element && each.nodeType === 3 && each.textContent?.trim() !== '',
        );
      const touched =
        'a[href], button, input, select, textarea, summary, [role="button"], [tabindex="0"]';
      for (const element of document.querySelectorAll(touched)) {
        if (!isSeen(element) || isInSentence(element) || element.closest('svg')) continue;
        const boxes = boxesOf(element).filter(({ width }) => width > 0);
        const isLarge = boxes.some(
          ({ width, height }) => width >= floor.target - 0.5 && height >= floor.target - 0.5,
        );
        if (boxes.length === 0 || isLarge) continue;
        const { width, height } = boxes[0]!;
        faults.add(`target ${Math.round(width)}×${Math.round(height)}: ${nameOf(element)}`);
      }

      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      const seen = { figure: 0, other: 0, what: '' };
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const element = node.parentElement;
        if (!element || node.textContent?.trim() === '' || !isSeen(element)) continue;
        if (['SCRIPT', 'STYLE', 'NOSCRIPT', 'OPTION'].includes(element.tagName)) continue;
        const svg = element.closest('svg');
        const scale = svg?.viewBox.baseVal?.width
          ? svg.getBoundingClientRect().width / svg.viewBox.baseVal.width
          : 1;
        const size = parseFloat(getComputedStyle(element).fontSize) * scale;
        if (size < (svg ? floor.drawn : floor.text) - 0.05) {
          faults.add(`text ${size.toFixed(1)}: ${nameOf(element)}`);
        }
        // A stop may be louder than any figure.
        if (element.closest('header, nav, main:has([class*="_pedalStop"]), [data-part="verdict"]'))
          continue;
        // What is typed at a command line is no figure.
        const isFigure =
          element.closest('svg') !== null ||
          (element.closest('code, kbd') === null &&
            getComputedStyle(element).fontFamily.includes('Mono'));
        if (isFigure) seen.figure = Math.max(seen.figure, size);
        else if (size > seen.other) Object.assign(seen, { other: size, what: nameOf(element) });
      }
      if (seen.figure > 0 && seen.figure < seen.other) {
        faults.add(`figures ${seen.figure} below ${seen.other}: ${seen.what}`);
      }
      return [...faults];
    },
    { floor: FLOOR, most: alike },
  );
