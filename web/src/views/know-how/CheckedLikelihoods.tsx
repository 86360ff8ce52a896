import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import styled from 'styled-components';
import { array, check, object, pipe, string } from 'valibot';
import { color } from '../../theme/theme';
import { t } from '../../words/words';
import { fromHundred, rowProblem, type Row } from './draft';
import { Likelihoods, type LikelihoodsProps } from './Likelihoods';

/** As they are typed. */
export const ROWS = array(object({ id: string(), values: array(string()) }));

/** Each row comes to 100. */
export const distributions = () =>
  pipe(
    ROWS,
    check(
      (rows) => rows.every((row) => rowProblem(row) === null),
      () => t('web.know-how.editors.each-row-comes-to-100'),
    ),
  );

/** One number above 0 a row. */
export const shares = (most: (p: number) => boolean, message: () => string) =>
  pipe(
    ROWS,
    check(
      (rows) =>
        rows.every((row) => {
          const p = fromHundred(row.values[0] ?? '');
          return p > 0 && most(p);
        }),
      message,
    ),
  );

interface CheckedLikelihoodsProps<V extends FieldValues, O> extends Omit<
  LikelihoodsProps,
  'rows' | 'onChange'
> {
  control: Control<V, unknown, O>;
  /** Of the rows. */
  name: FieldPath<V>;
}

/** A table of numbers of 100, in a checked form. */
export function CheckedLikelihoods<V extends FieldValues, O>({
  control,
  name,
  ...props
}: CheckedLikelihoodsProps<V, O>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <div>
      <Likelihoods {...props} rows={field.value as Row[]} onChange={field.onChange} />
      {fieldState.error?.message !== undefined && (
        <Wrong role="alert">{fieldState.error.message}</Wrong>
      )}
    </div>
  );
}

const Wrong = styled.p`
  color: ${color.implicated};
`;
