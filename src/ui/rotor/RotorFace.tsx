import { RotorBase } from './RotorBase';
import { RotorOutline } from './RotorOutline';
import type { RotorFaceProps } from './rotorFaceProps';

/** The rotor with its readings as an exaggerated outline. */
export const RotorFace = (props: RotorFaceProps) => (
  <RotorBase {...props} outline={<RotorOutline {...props} />} />
);
