import { array } from 'yup';
import { guardSchema } from '../../guard/guard-schema';
import { type Objection, verdicts } from '../../guard/verdict';
import { flag, list, one, shape, text, whole } from '../../observation/schema-parts';
import { byCode, type FieldsOf } from '../../reading/coded-schema';
import { named } from '../../reading/schema-union';
import { unworkedCodes } from '../../regexp/unworked';
import { scriptSchema } from '../../script/script-schema';
import { validityFlags } from '../../standard/validity-flags';
import {
  type BypassCell,
  type BypassRow,
  bypassOutcomes,
  type OtherSample,
  type RestrictionFacts,
  routes,
  type TriedGuard,
} from './facts';

const objectionSchema = byCode(
  (): FieldsOf<Objection> => ({
    'own constraint': { flag: one(validityFlags) },
    guard: { guard: guardSchema },
    'not worked out': { why: one(unworkedCodes) },
  }),
);

const row = {
  guard: guardSchema,
  cells: list(
    shape<BypassCell>({
      route: one(routes),
      outcome: one(bypassOutcomes),
      script: scriptSchema,
      text: text(),
      swallowed: list(text(100)),
    }),
  ),
};
const bypassRow = named('guardByRoutes', shape<BypassRow>(row));

export const restrictionFactsSchema = shape<RestrictionFacts>({
  guards: array(
    shape<TriedGuard>({
      ...row,
      isCaught: flag(),
      later: list(bypassRow),
      sparingKeys: bypassRow.nullable().default(undefined).defined(),
    }),
  )
    .strict()
    .max(50)
    .defined(),
  blocked: shape({ value: text(), beginning: text() }).nullable().default(undefined).defined(),
  samples: shape({
    tried: whole(),
    others: list(
      shape<OtherSample>({
        text: text(),
        expected: one(verdicts),
        verdict: one(verdicts),
        by: array(objectionSchema).strict().defined(),
      }),
    ),
  }),
});
