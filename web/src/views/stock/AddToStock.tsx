import { t } from '../../words/words';
import { Form } from 'react-aria-components';
import { useWatch } from 'react-hook-form';
import styled from 'styled-components';
import {
  forward,
  maxLength,
  object,
  partialCheck,
  pipe,
  regex,
  string,
  transform,
  trim,
} from 'valibot';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import { Button } from '../../ui/Button';
import { CheckedField } from '../../ui/form/CheckedField';
import { CheckedSelect } from '../../ui/form/CheckedSelect';
import { isAmount, numberOf, said } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';

const KINDS = [
  ['drive', t('web.stock.stock-view.drive')],
  ['module', t('web.stock.stock-view.memory-module')],
  ['battery', t('web.stock.stock-view.battery')],
  ['other', t('web.stock.stock-view.something-else')],
] as const;
const BUSES = [
  ['SATA', 'SATA'],
  ['NVMe', 'NVMe'],
] as const;
/** As drives report it of themselves, in any language: what fits is found by it. */
const FORMS = [
  ['2.5 inch', t('web.stock.stock-view.2-5-inch')],
  ['3.5 inch', t('web.stock.stock-view.3-5-inch')],
  ['M.2', 'M.2'],
] as const;
const SORTS = [
  ['DDR3', 'DDR3'],
  ['DDR4', 'DDR4'],
  ['DDR5', 'DDR5'],
] as const;
const MODULE_FORMS = [
  ['SO-DIMM', t('web.stock.stock-view.for-laptops-so-dimm')],
  ['DIMM', t('web.stock.stock-view.for-desktops-dimm')],
] as const;

const isSized = (kind: string) => kind === 'drive' || kind === 'module';

const ITEM = pipe(
  object({
    kind: string(),
    model: said(200),
    bus: string(),
    form: string(),
    sort: string(),
    moduleForm: string(),
    gigabytes: string(),
    place: pipe(string(), trim(), maxLength(60)),
    pieces: pipe(
      string(),
      regex(/^\s*\d{1,4}\s*$/, () => t('web.stock.stock-view.a-number-up-to-9999')),
      transform(Number),
    ),
  }),
  forward(
    partialCheck(
      [['kind'], ['gigabytes']],
      ({ kind, gigabytes }) => !isSized(kind) || (isAmount(gigabytes) && numberOf(gigabytes) > 0),
      () => t('web.stock.stock-view.a-size-above-0'),
    ),
    ['gigabytes'],
  ),
);

/** What came into stock, of what sort and how many. */
export function AddToStock({ onClose }: { onClose: () => void }) {
  const call = useCall(keys.stock);
  const form = useChecked(ITEM, {
    kind: 'drive',
    model: '',
    bus: 'SATA',
    form: '2.5 inch',
    sort: 'DDR4',
    moduleForm: 'SO-DIMM',
    gigabytes: '',
    place: '',
    pieces: '1',
  });
  const { control } = form;
  const kind = useWatch({ control, name: 'kind' });
  const drive = kind === 'drive';
  const module = kind === 'module';
  const submit = form.handleSubmit((item) =>
    call.mutate(
      () =>
        api.POST('/api/stock/items', {
          body: {
            kind: item.kind,
            model: item.model,
            bus: drive ? item.bus : module ? item.sort : null,
            form: drive ? item.form : module ? item.moduleForm : null,
            // Memory is counted in powers of two.
            bytes: isSized(kind)
              ? Math.round(numberOf(item.gigabytes) * (module ? 2 ** 30 : 1e9))
              : null,
            place: item.place,
            pieces: item.pieces,
          },
        }),
      { onSuccess: onClose },
    ),
  );
  return (
    <Modal title={t('web.stock.stock-view.add-to-stock-2')} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Fields>
          <CheckedSelect
            control={control}
            name="kind"
            label={t('web.stock.stock-view.what-it-is')}
            options={KINDS}
          />
          <CheckedField
            control={control}
            name="model"
            label={t('web.stock.stock-view.model')}
            maxLength={200}
          />
          {drive && (
            <CheckedSelect
              control={control}
              name="bus"
              label={t('web.stock.stock-view.interface')}
              options={BUSES}
            />
          )}
          {drive && (
            <CheckedSelect
              control={control}
              name="form"
              label={t('web.stock.stock-view.form')}
              options={FORMS}
            />
          )}
          {module && (
            <CheckedSelect
              control={control}
              name="sort"
              label={t('web.stock.stock-view.sort')}
              options={SORTS}
            />
          )}
          {module && (
            <CheckedSelect
              control={control}
              name="moduleForm"
              label={t('web.stock.stock-view.form')}
              options={MODULE_FORMS}
            />
          )}
          {kind === 'battery' && <p>{t('web.stock.stock-view.a-battery-fits-by-the-model')}</p>}
          {isSized(kind) && (
            <CheckedField
              control={control}
              name="gigabytes"
              label={t('web.stock.stock-view.size-in-gb')}
              inputMode="decimal"
              maxLength={10}
            />
          )}
          <CheckedField
            control={control}
            name="place"
            label={t('web.stock.stock-view.where-it-lies')}
            maxLength={60}
          />
          <CheckedField
            control={control}
            name="pieces"
            label={t('web.stock.stock-view.pieces')}
            inputMode="numeric"
            maxLength={4}
          />
          {call.isError && <ProblemNote error={call.error} />}
          <Button primary type="submit" isPending={call.isPending}>
            {t('web.stock.stock-view.put-it-there')}
          </Button>
          <Button onPress={onClose}>{t('web.stock.stock-view.leave-it')}</Button>
        </Fields>
      </Form>
    </Modal>
  );
}

const Fields = styled.div`
  display: grid;
  gap: 12px;
`;
