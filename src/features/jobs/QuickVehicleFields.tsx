import { Col, Form, Row } from 'react-bootstrap';
import type { UseFormRegisterReturn } from 'react-hook-form';
import { FormField } from '@/ui/field';

type Name = 'plate' | 'fastening' | 'studs';

interface QuickVehicleFieldsProps {
  readonly fields: Readonly<Record<Name, UseFormRegisterReturn>>;
  readonly messages: Readonly<Record<Name, string | undefined>>;
}

/** A vehicle by its plate: what a first reading needs, and nothing more. */
export function QuickVehicleFields({ fields, messages }: QuickVehicleFieldsProps) {
  return (
    <>
      <FormField
        label="Plate"
        hint="A plate that is on file is that vehicle. Make, limits and torques are asked where they are needed, or entered on its page."
        error={messages.plate}
        control={(ids) => (
          <Form.Control {...ids} {...fields.plate} autoComplete="off" autoFocus maxLength={20} />
        )}
      />
      <Row>
        <Col xs={6} sm={4}>
          <FormField
            label="Wheel on"
            error={messages.fastening}
            control={(ids) => (
              <Form.Select {...ids} {...fields.fastening}>
                <option value="studs">studs</option>
                <option value="bolts">bolts</option>
              </Form.Select>
            )}
          />
        </Col>
        <Col xs={6} sm={4}>
          <FormField
            label="How many"
            error={messages.studs}
            control={(ids) => <Form.Control inputMode="numeric" {...ids} {...fields.studs} />}
          />
        </Col>
      </Row>
    </>
  );
}
