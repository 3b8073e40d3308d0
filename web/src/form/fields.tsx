import type { ComponentProps } from 'react'
import { type FieldPath, type FieldValues, useController } from 'react-hook-form'
import { type Options, Pills, SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { TextField } from '../parts/TextField.tsx'
import type { EntryForm } from './entry-form.ts'

interface OfForm<T extends FieldValues> {
  readonly form: EntryForm<T>
  readonly name: FieldPath<T>
}

function useField<T extends FieldValues>({ form, name }: OfForm<T>) {
  const { field, fieldState } = useController({ control: form.control, name })
  return {
    text: (field.value ?? '') as string,
    fault: fieldState.error?.message,
    onText: field.onChange as (text: string) => void,
  }
}

/** A measured number of a form. */
export function FormNumber<T extends FieldValues>({
  form,
  name,
  ...rest
}: OfForm<T> & Omit<ComponentProps<typeof NumberField>, 'text' | 'onText' | 'fault'>) {
  return <NumberField {...rest} {...useField({ form, name })} />
}

/** Words, a date or a time of a form. */
export function FormText<T extends FieldValues>({
  form,
  name,
  shown,
  ...rest
}: OfForm<T> &
  Omit<ComponentProps<typeof TextField>, 'text' | 'onText' | 'fault'> & {
    /** What stands in the field while nothing is typed. */
    readonly shown?: string
  }) {
  const { text, ...field } = useField({ form, name })
  return <TextField {...rest} {...field} text={shown ?? text} />
}

interface Choice<V extends string> {
  readonly label: string
  readonly options: Options<V>
  readonly hint?: string
  /** What else follows from another choice. */
  readonly onChosen?: (value: V) => void
}

/** One of many in a form. */
export function FormSelect<T extends FieldValues, V extends string>({
  form,
  name,
  onChosen,
  shown,
  ...rest
}: OfForm<T> &
  Choice<V> & {
    /** What is chosen while nobody has. */
    readonly shown?: V
  }) {
  const { text, onText } = useField({ form, name })
  return (
    <SelectField
      {...rest}
      value={shown ?? (text as V)}
      onChoose={(value) => {
        onText(value)
        onChosen?.(value)
      }}
    />
  )
}

/** One of a few in a form. */
export function FormPills<T extends FieldValues, V extends string>({
  form,
  name,
  onChosen,
  ...rest
}: OfForm<T> & Choice<V>) {
  const { text, onText, fault } = useField({ form, name })
  return (
    <div>
      <Pills
        {...rest}
        value={text as V}
        onChoose={(value) => {
          onText(value)
          onChosen?.(value)
        }}
      />
      {fault && <Message tone="error">{fault}</Message>}
    </div>
  )
}
