'use client';

import type { KeyboardEvent } from 'react';
import { useRoving } from '../useRoving';
import { Places, type PlacesProps } from './Places';

/** Positions that are picked by a touch or by keys: one stop of the Tab key, arrows walk through them. */
export function PickablePlaces({
  onPick,
  ...props
}: Omit<PlacesProps, 'buttonOf'> & { readonly onPick: (position: number) => void }) {
  const { values, active } = props;
  const rove = useRoving(values.length, active ?? 0, 'svg');
  return (
    <Places
      {...props}
      buttonOf={(position) => {
        const roved = rove(position);
        const state = values[position] === null ? 'not read' : 'read';
        return {
          ...roved,
          role: 'button',
          'aria-label': `Position ${position + 1}, ${state}`,
          onClick: () => onPick(position),
          onKeyDown: (event: KeyboardEvent<SVGGElement>) => {
            if (event.key !== 'Enter' && event.key !== ' ') return roved.onKeyDown(event);
            event.preventDefault();
            onPick(position);
          },
        };
      }}
    />
  );
}
