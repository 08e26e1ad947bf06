import { Button, Form } from 'react-bootstrap';

/** Finds vehicles by the beginnings of plate, make or model; a plain form, so that it works without script. */
export function VehicleSearch({ text }: { readonly text: string }) {
  return (
    <form className="d-flex gap-2 mb-3" role="search" action="/vehicles">
      <Form.Control
        name="q"
        type="search"
        aria-label="Plate, make or model"
        placeholder="Plate, make or model"
        autoComplete="off"
        defaultValue={text}
      />
      <Button type="submit" variant="outline-secondary">
        Find
      </Button>
    </form>
  );
}
