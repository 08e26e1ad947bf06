import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { BENCH_CORNER, benchSet, typedLap } from '../../../tests/support/sets';
import { openBench, type BenchSet } from './model';
import { NumberPad } from './NumberPad';
import { QuickDigitsChoice } from './QuickDigitsChoice';
import { ReadingEntry } from './ReadingEntry';

const corner = BENCH_CORNER;
const set = benchSet;
const readings = typedLap;
const nothing = (): void => undefined;

describe('the entry field', () => {
  const entry = (own: BenchSet, on: Partial<Parameters<typeof ReadingEntry>[0]> = {}) =>
    render(
      <ReadingEntry
        set={own}
        state={openBench([own])}
        corner={corner}
        onType={nothing}
        onEnter={nothing}
        onSkip={nothing}
        onStep={nothing}
        onCorrect={nothing}
        {...on}
      />,
    );

  test('names the place, the chalk mark and the unit', () => {
    entry(set());
    expect(screen.getByLabelText(/Position 1 of 8 \(chalk mark, stud 1\)/)).toBe(
      document.activeElement,
    );
    expect(screen.getByText('mm')).toBeInTheDocument();
  });
  test('a figure that is typed elsewhere goes to the reading that is next; a letter does not', () => {
    render(<button>Elsewhere</button>);
    const own = set();
    entry(own);
    const elsewhere = screen.getByRole('button', { name: 'Elsewhere' });
    for (const [key, takesIt] of [
      ['n', false],
      ['0', true],
      ['-', true],
    ] as const) {
      elsewhere.focus();
      fireEvent.keyDown(elsewhere, { key });
      expect(document.activeElement === screen.getByRole('textbox')).toBe(takesIt);
    }
  });
  test('asks for the closing reading in words', () => {
    const own = set({ readings: readings([0, 1, 2, 3, 4, 3, 2, 1]) });
    entry(own, { state: { ...openBench([own]), cursor: { lap: 0, position: 8 } } });
    expect(screen.getByLabelText(/Position 1 again, to close the lap/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Skip' })).toBeInTheDocument();
  });
  // 2026-11-29: beside an open gauge “Skip” took what the gauge showed.
  test.each([false, true])('Skip leaves it out, whatever a gauge shows; pad: %s', (isPad) => {
    const matchMedia = window.matchMedia;
    window.matchMedia = ((query: string) => ({
      ...{ matches: isPad, media: query },
      ...{ addEventListener: nothing, removeEventListener: nothing },
    })) as unknown as typeof window.matchMedia;
    const [onEnter, onSkip, onShown] = [jest.fn(), jest.fn(), jest.fn()];
    const own = set({ readings: readings([0, 1, 2, 3, 4, 3, 2, 1]) });
    const state = { ...openBench([own]), cursor: { lap: 0, position: 8 } };
    entry(own, { state, onEnter, onSkip, onShown });
    const keys = screen.getAllByRole('button', { name: 'Skip' });
    keys.forEach((key) => fireEvent.click(key));
    expect(keys).toHaveLength(isPad ? 2 : 1);
    expect(onSkip).toHaveBeenCalledTimes(keys.length);
    expect([onEnter, onShown].map(({ mock }) => mock.calls)).toEqual([[], []]);
    window.matchMedia = matchMedia;
  });
  describe('two digits of a thickness', () => {
    const thick = (): BenchSet =>
      set({
        ...{ kind: 'thickness', positions: 8, settle: true },
        readings: [{ lap: 0, position: 0, valueUm: 26_004, text: '26.004', unit: 'mm' }],
      });
    afterEach(() => {
      localStorage.clear();
      // Any key ends what waits for one.
      fireEvent.keyDown(document.body, { key: 'a' });
    });

    /** Keys two digits and Enter at two places, which is what the bench learns from. */
    const keyTwice = (field: HTMLElement): void => {
      for (const text of ['07', '05']) {
        fireEvent.change(field, { target: { value: text } });
        fireEvent.submit(field.closest('form')!);
      }
    };
    /** The entry of a set, whose field holds what is typed. */
    function Typed({
      own,
      ...handlers
    }: { own: BenchSet } & Partial<Parameters<typeof ReadingEntry>[0]>) {
      const [draft, setDraft] = useState('');
      return (
        <ReadingEntry
          {...{ onStep: nothing, onSkip: nothing, onCorrect: nothing }}
          {...handlers}
          set={own}
          corner={corner}
          state={{ ...openBench([own]), draft }}
          onType={(text) => {
            setDraft(text);
            handlers.onType?.(text);
          }}
          onEnter={(text) => {
            setDraft('');
            handlers.onEnter?.(text);
          }}
        />
      );
    }

    test('are taken by themselves once two places were keyed so, and never where that is not wanted', () => {
      const onEnter = jest.fn();
      const { unmount } = render(<Typed own={thick()} onEnter={onEnter} />);
      const field = screen.getByRole('textbox');
      fireEvent.change(field, { target: { value: '07' } });
      expect(onEnter).not.toHaveBeenCalled();
      keyTwice(field);
      onEnter.mockClear();
      fireEvent.change(field, { target: { value: '1' } });
      expect(onEnter).not.toHaveBeenCalled();
      fireEvent.change(field, { target: { value: '11' } });
      expect(onEnter).toHaveBeenCalledWith('11');
      // What a whole figure begins with is waited for, and a whole figure is entered.
      onEnter.mockClear();
      for (const text of ['26', '25', '26.0']) {
        fireEvent.change(field, { target: { value: text } });
      }
      expect(onEnter).not.toHaveBeenCalled();
      unmount();
      render(<QuickDigitsChoice />);
      fireEvent.click(screen.getByLabelText(/Two digits take a thickness/));
      render(<Typed own={thick()} onEnter={onEnter} />);
      keyTwice(screen.getByRole('textbox'));
      onEnter.mockClear();
      fireEvent.change(screen.getByRole('textbox'), { target: { value: '11' } });
      expect(onEnter).not.toHaveBeenCalled();
    });

    // 2026-11-30: the last reading took two of three digits, and its field was gone before the third.
    test('are entered at the last place, after which the field goes, and with a decimal comma wait for a whole figure', () => {
      const onEnter = jest.fn();
      const last = set({
        ...{ kind: 'thickness', positions: 8, settle: true },
        readings: Array.from({ length: 7 }, (_, position) => ({
          ...{ lap: 0, position, valueUm: 26_004, text: '26,004', unit: 'mm' as const },
        })),
      });
      const { unmount } = render(<Typed own={last} onEnter={onEnter} />);
      keyTwice(screen.getByRole('textbox'));
      onEnter.mockClear();
      fireEvent.change(screen.getByRole('textbox'), { target: { value: '01' } });
      expect(onEnter).not.toHaveBeenCalled();
      unmount();
      const own = set({
        ...{ kind: 'thickness', positions: 8, settle: true },
        readings: [{ lap: 0, position: 0, valueUm: 26_004, text: '26,004', unit: 'mm' }],
      });
      render(<Typed own={own} onEnter={onEnter} />);
      keyTwice(screen.getByRole('textbox'));
      onEnter.mockClear();
      fireEvent.change(screen.getByRole('textbox'), { target: { value: '26' } });
      expect(onEnter).not.toHaveBeenCalled();
    });

    test('leave an Enter by habit without effect wherever the focus went, once', () => {
      const onEnter = jest.fn();
      render(<Typed own={thick()} onEnter={onEnter} />);
      const field = screen.getByRole('textbox');
      keyTwice(field);
      fireEvent.change(field, { target: { value: '11' } });
      expect(fireEvent.keyDown(document.body, { key: 'Enter' })).toBe(false);
      expect(fireEvent.keyDown(document.body, { key: 'Enter' })).toBe(true);
      // The next figure is one of its own, however soon it comes.
      fireEvent.change(field, { target: { value: '1' } });
      fireEvent.change(field, { target: { value: '10' } });
      expect(onEnter).toHaveBeenLastCalledWith('10');
      // What is taken then is taken once.
      expect(onEnter).toHaveBeenCalledTimes(4);
    });

    test('are gone on from by a third one that follows at once, and gone back to by Backspace', () => {
      const [onStep, onType, onEnter] = [jest.fn(), jest.fn(), jest.fn()];
      render(<Typed own={thick()} {...{ onStep, onType, onEnter }} />);
      const field = screen.getByRole('textbox');
      keyTwice(field);
      fireEvent.change(field, { target: { value: '01' } });
      onEnter.mockClear();
      fireEvent.change(field, { target: { value: '2' } });
      expect(onStep).toHaveBeenCalledWith(-1);
      expect(onType).toHaveBeenLastCalledWith('012');
      expect(onEnter).not.toHaveBeenCalled();
      fireEvent.change(field, { target: { value: '' } });
      fireEvent.keyDown(field, { key: 'Backspace' });
      expect(onStep).toHaveBeenCalledTimes(2);
    });

    test('never take the first, whose digits they would be, nor a reading of a dial', () => {
      const onEnter = jest.fn();
      const first = set({ kind: 'thickness', positions: 8 });
      const { unmount } = render(<Typed own={first} onEnter={onEnter} />);
      keyTwice(screen.getByRole('textbox'));
      onEnter.mockClear();
      fireEvent.change(screen.getByRole('textbox'), { target: { value: '26' } });
      unmount();
      render(<Typed own={set({ readings: readings([0, 1]) })} onEnter={onEnter} />);
      keyTwice(screen.getByRole('textbox'));
      onEnter.mockClear();
      fireEvent.change(screen.getByRole('textbox'), { target: { value: '12' } });
      expect(onEnter).not.toHaveBeenCalled();
    });
  });

  test('Enter takes, arrows step, ± turns the sign', () => {
    const onEnter = jest.fn();
    const onStep = jest.fn();
    const onType = jest.fn();
    const own = set();
    entry(own, { onEnter, onStep, onType, state: { ...openBench([own]), draft: '0.5' } });
    const field = screen.getByRole('textbox');
    fireEvent.submit(field.closest('form')!);
    fireEvent.keyDown(field, { key: 'ArrowDown' });
    fireEvent.keyDown(field, { key: 'ArrowUp' });
    fireEvent.click(screen.getByTitle('Plus or minus'));
    expect(onEnter).toHaveBeenCalledTimes(1);
    expect(onStep.mock.calls).toEqual([[1], [-1]]);
    expect(onType).toHaveBeenCalledWith('-0.5');
  });
  test('a message stands at the field and marks it', () => {
    const own = set();
    entry(own, { state: { ...openBench([own]), draft: 'x', error: 'Type a number.' } });
    expect(screen.getByRole('textbox').getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toBe('Type a number.');
  });
  test('a slip is named with what was likely meant, and F2 or a tap changes it', () => {
    const onCorrect = jest.fn();
    const own = set({ readings: readings([0, 10, 20, 30, 410]) });
    entry(own, { onCorrect });
    expect(screen.getByText(/stands far off/).textContent).toMatch(
      /Position 5: 0\.41 stands far off\. Meant 0\.041, the decimal mark slipped\?/,
    );
    fireEvent.keyDown(screen.getByRole('textbox'), { key: 'F2' });
    fireEvent.click(screen.getByRole('button', { name: 'Change it (F2)' }));
    expect(onCorrect).toHaveBeenCalledTimes(2);
    expect(onCorrect.mock.calls[0][0]).toMatchObject({
      place: { lap: 0, position: 4 },
      slip: { kind: 'decimal', text: '0.041', value: 41 },
    });
  });
  test('nothing is offered for readings that follow each other', () => {
    const onCorrect = jest.fn();
    entry(set({ readings: readings([0, 10, 20, 30, 38]) }), { onCorrect });
    expect(screen.queryByText(/stands far off/)).toBeNull();
    fireEvent.keyDown(screen.getByRole('textbox'), { key: 'F2' });
    expect(onCorrect).not.toHaveBeenCalled();
  });
  test('thickness has no sign button', () => {
    entry(set({ kind: 'thickness' }));
    expect(screen.queryByTitle('Plus or minus')).toBeNull();
  });
});

describe('the ways a reading is taken', () => {
  const entry = (own: BenchSet, draft: string, on: Partial<Parameters<typeof ReadingEntry>[0]>) => {
    const state = { ...openBench([own]), draft };
    render(
      <ReadingEntry
        set={own}
        state={state}
        corner={corner}
        onType={nothing}
        onEnter={nothing}
        onSkip={nothing}
        onStep={nothing}
        onCorrect={nothing}
        {...on}
      />,
    );
    const field = screen.getByRole<HTMLInputElement>('textbox');
    field.setSelectionRange(draft.length, draft.length);
    return field;
  };

  test('minus after the figure takes it as minus, and what is meant is shown', () => {
    const onEnter = jest.fn();
    const field = entry(set(), '12', { onEnter });
    expect(screen.getByText('0.012')).toBeInTheDocument();
    fireEvent.keyDown(field, { key: '-' });
    expect(onEnter).toHaveBeenCalledWith('-12');
  });

  test('a minus at the beginning is only typed, and a thickness has no sign', () => {
    const onEnter = jest.fn();
    fireEvent.keyDown(entry(set(), '', { onEnter }), { key: '-' });
    expect(onEnter).not.toHaveBeenCalled();
  });

  test('space takes what an open gauge shows, and else is a space', () => {
    const onShown = jest.fn();
    fireEvent.keyDown(entry(set(), '', { onShown }), { key: ' ' });
    expect(onShown).toHaveBeenCalledTimes(1);
  });

  test('the pad types, deletes and takes either way', () => {
    const [onType, onTake] = [jest.fn(), jest.fn()];
    const pad = (draft: string) =>
      render(<NumberPad draft={draft} isSigned canSkip {...{ onType, onTake, onSkip: onTake }} />)
        .unmount;
    let close = pad('1');
    fireEvent.click(screen.getByRole('button', { name: '2' }));
    fireEvent.click(screen.getByRole('button', { name: 'Delete the last figure' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take as minus' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take' }));
    expect(onType.mock.calls).toEqual([['12'], ['']]);
    expect(onTake.mock.calls).toEqual([['-1'], ['1']]);
    close();
    close = pad('');
    expect(screen.getByRole('button', { name: 'Skip' }).textContent).toBe('Skip');
    close();
  });
});
