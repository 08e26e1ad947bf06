type Answer<Value> = { ok: true; value: Value } | { ok: false; message: string };

/** The value of an answer that must be one; what it refused with otherwise. */
export function known<Value>(answer: Answer<Value>): Value {
  if (!answer.ok) throw new Error(answer.message);
  return answer.value;
}
