import { useId, type ReactNode } from 'react';
import { FormControl, FormLabel } from 'react-bootstrap';

interface FileFieldProps {
  readonly label: ReactNode;
  /** What may be chosen, as the browser's dialog takes it. */
  readonly accept: string;
  readonly disabled?: boolean;
  readonly onPick: (file: File) => void;
}

/** A file to be chosen; the same one can be chosen again. */
export function FileField({ label, accept, disabled, onPick }: FileFieldProps) {
  const id = useId();
  return (
    <>
      <FormLabel htmlFor={id}>{label}</FormLabel>
      <FormControl
        id={id}
        type="file"
        accept={accept}
        disabled={disabled}
        onClick={({ currentTarget }) => {
          currentTarget.value = '';
        }}
        onChange={({ target }) => {
          const file = target instanceof HTMLInputElement ? target.files?.[0] : undefined;
          if (file) onPick(file);
        }}
      />
    </>
  );
}
