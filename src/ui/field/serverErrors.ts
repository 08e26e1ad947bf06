import type { FieldPath, FieldValues, UseFormSetError } from 'react-hook-form';

/** Puts the server's messages at their fields; the first gets the focus. */
export function showServerErrors<Values extends FieldValues>(
  fields: Readonly<Record<string, string>>,
  setError: UseFormSetError<Values>,
): void {
  Object.entries(fields).forEach(([name, message], i) => {
    // The server names fields as the form does; one it does not know shows at the form's head.
    setError(name as FieldPath<Values>, { message }, { shouldFocus: i === 0 });
  });
}
