'use client';

import { Select } from 'antd';
import { offeredLanguages } from '@/core/keyboard/offered-languages';
import { languageTagName } from '@/core/words/language-words';
import { useForm } from '../frame/use-form';
import styles from './form-view.module.css';

/** In which language people fill in a form whose page states none: by it are keyboards, digits, names and dates chosen. */
export function PeopleLanguage() {
  const { form, reading, edit } = useForm();
  if (reading.isLanguageStated) return null;
  const { language } = form;
  const others = language === undefined || offeredLanguages.includes(language) ? [] : [language];
  return (
    <p className={styles.page}>
      <label htmlFor="people-language">
        No <span className="mono">lang</span> is stated. People write
      </label>
      <Select
        id="people-language"
        size="small"
        style={{ width: 210 }}
        value={language ?? null}
        placeholder="English, as nobody said"
        allowClear
        showSearch={{ optionFilterProp: 'label' }}
        options={[...others, ...offeredLanguages].map((tag) => ({
          value: tag,
          label: `${languageTagName(tag)} (${tag})`,
        }))}
        onChange={(next: string | undefined) => edit({ language: next }, 'language of people')}
      />
    </p>
  );
}
