import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { purposeOf, spokenPurposeOf } from './purpose-of';

function purposeIn(markup: string) {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return purposeOf(field)?.purpose ?? null;
}
const labelled = (label: string, language: string, name = '') =>
  `<html lang="${language}"><form><label>${label} <input name="${name}"></label></form>`;

describe('what a field is for', () => {
  it.each([
    ['Place of birth', 'birth_place'],
    ['Birth weight', 'birthWeight'],
    ['Day of week', 'day'],
    ['Account number', 'account'],
    ['Account name', ''],
    ['Vehicle name', 'vehicle_name'],
    // Cards are printed without marks and signs.
    ['Name on card', 'ccname'],
    ['Pet name', 'petName'],
    ['Bank name', ''],
    ['User name', 'username'],
    ['Company name', 'company'],
    ['Education level', 'level'],
    ['Lead time', 'lead_time'],
    ['Time zone', 'tz'],
    ['Phone model', ''],
    ['IP address', ''],
    ['Update', 'update'],
    ['Candidate', ''],
    ['Card expiry date', 'exp'],
    ['Log PIN', 'pin'],
    ['Station code', 'station'],
    ['City', 'city'],
  ])('is not said of “%s”, which only sounds like something', (label, name) => {
    expect(purposeIn(labelled(label, 'en', name))).toBeNull();
  });

  it.each([
    ['en', 'E-mail *', 'email'],
    ['en', 'Your e-mail address (required)', 'email'],
    ['en', 'What is your phone number?', 'phone'],
    ['en', 'Reading date', 'date'],
    ['en', 'Full name', 'name'],
    ['en', 'Street name', 'street'],
    ['en', 'Web address', 'web address'],
    ['en', 'High water', 'time'],
    ['fr', 'Nom de famille', 'name'],
    ['fr', 'Adresse', 'street'],
    ['fr', 'Prix', 'money'],
    ['fr', 'Numéro de carte', 'card'],
    ['fr', 'Date de naissance', 'date'],
    ['es', 'Dirección', 'street'],
    ['es', 'Nombre', 'name'],
    ['es', 'Nombre de usuario', null],
    ['de', 'Handynummer', 'phone'],
    ['de', 'Lieferdatum', 'date'],
    ['de', 'Straße / Nr.', 'street'],
    ['de-AT', 'PLZ', 'postcode'],
    ['fi', 'Osoite', 'street'],
    ['fi', 'Päivämäärä', 'date'],
    ['sv', 'Postnummer', 'postcode'],
    ['nb', 'Telefonnummer', 'phone'],
    ['it', 'CAP', 'postcode'],
    ['pt-BR', 'CEP', 'postcode'],
    ['pl', 'Data urodzenia', 'date'],
    ['tr', 'Doğum tarihi', 'date'],
    ['ru', 'Дата рождения', 'date'],
    ['ar', 'رقم الجوال', 'phone'],
    ['he', 'מיקוד', 'postcode'],
    ['hi', 'मोबाइल नंबर', 'phone'],
    ['ja', '電話番号', 'phone'],
    ['ja', '氏名（カナ）', 'kana name'],
    ['ja', 'お名前（必須）', 'name'],
    ['zh', '手机号码', 'phone'],
    ['ko', '우편번호', 'postcode'],
  ])('%s: “%s” asks for %s', (language, label, purpose) => {
    expect(purposeIn(labelled(label, language))).toBe(purpose);
  });

  it('is what the markup says of it, and then nothing else', () => {
    expect(purposeIn('<label>Contact <input type=tel name=x></label>')).toBe('phone');
    expect(purposeIn('<label>Name <input autocomplete="shipping postal-code"></label>')).toBe('postcode');
    expect(purposeIn('<label>Name <input autocomplete="section-a billing tel webauthn"></label>')).toBe(
      'phone',
    );
    expect(purposeIn('<label>Name <input autocomplete=organization></label>')).toBeNull();
    expect(purposeIn('<label>Name <input autocomplete=off></label>')).toBe('name');
  });

  it('is not said where label and name speak of two things, or only the id speaks', () => {
    expect(purposeIn(labelled('Name', 'en', 'email'))).toBeNull();
    expect(purposeIn('<label>Gauge <input name=gauge id=phone></label>')).toBeNull();
    expect(purposeIn('<label>Pet name <input name=name id=name></label>')).toBeNull();
    expect(purposeIn('<label>Gauge <input name=phone></label>')).toBe('phone');
    expect(purposeIn('<input name=phone_number>')).toBe('phone');
    expect(purposeIn('<input name=q placeholder="Phone number">')).toBe('phone');
  });

  it('is looked for in other languages where the page says another one, if the name agrees', () => {
    expect(purposeIn(labelled('Via', 'en'))).toBeNull();
    expect(purposeIn(labelled('Postnummer', 'en', 'zip'))).toBe('postcode');
    expect(purposeIn('<form><label>Postnummer <input></label></form>')).toBe('postcode');
  });

  it('is nothing of what no text is entered into, though its label may speak', () => {
    const [field] = readForm('<label>Phone <input type=number name=phone></label>').fields;
    expect(field && [purposeOf(field), spokenPurposeOf(field)]).toEqual([null, 'phone']);
  });

  it('is not looked for in texts without end, which take no longer than others', () => {
    const endless = '@'.repeat(1_000_000);
    expect(
      purposeIn(
        `<label>${endless} email <input name="${endless}" id="${endless}" placeholder="${endless}"></label>`,
      ),
    ).toBeNull();
    expect(purposeIn(`<label>${'Please, '.repeat(20)}your email <input name=a></label>`)).toBe('email');
  });
});
