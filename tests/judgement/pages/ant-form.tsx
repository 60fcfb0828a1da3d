import { Button, Checkbox, DatePicker, Form, Input, InputNumber, Select } from 'antd';
import { createRoot } from 'react-dom/client';

/** A form of the library with its own fields and messages. */
function Booking() {
  return (
    <Form
      layout="vertical"
      onFinish={(entry) => void fetch('/book', { method: 'POST', body: JSON.stringify(entry) })}
    >
      <Form.Item name="name" label="Full name" rules={[{ required: true, message: 'Enter your name' }]}>
        <Input autoComplete="name" />
      </Form.Item>
      <Form.Item name="berths" label="Berths">
        <InputNumber min={1} max={4} />
      </Form.Item>
      <Form.Item name="day" label="Day">
        <DatePicker />
      </Form.Item>
      <Form.Item name="harbour" label="Harbour">
        <Select
          options={[
            { value: 'n', label: 'North' },
            { value: 's', label: 'South' },
          ]}
        />
      </Form.Item>
      <Form.Item name="terms" valuePropName="checked">
        <Checkbox>I accept the terms</Checkbox>
      </Form.Item>
      <Button htmlType="submit">Book</Button>
    </Form>
  );
}

createRoot(document.getElementById('root') as HTMLElement).render(<Booking />);
