import type { Edit } from '../../client/edits/edit.ts';
import { TypedField, type Parsed } from '../../ui/TypedField.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useEdit } from '../page/use-edit.tsx';

/** A value of the draft, typed in place. `live`: the bench shows it at each sensible key, before the field is left. */
export function EditedField<T>({
  label,
  shown,
  parse,
  change,
  live,
  align = 'left',
  placeholder,
  testId,
}: {
  label: string;
  shown: string;
  parse: (text: string) => Parsed<T>;
  change: (value: T) => Edit;
  live?: boolean;
  align?: 'left' | 'right';
  placeholder?: string | undefined;
  testId?: string | undefined;
}) {
  const edit = useEdit();
  const show = useDraft((state) => state.show);
  return (
    <TypedField
      label={label}
      shown={shown}
      parse={parse}
      align={align}
      show={(value) => live && show(value === undefined ? null : change(value))}
      commit={(value) => edit(change(value))}
      placeholder={placeholder}
      testId={testId}
    />
  );
}
