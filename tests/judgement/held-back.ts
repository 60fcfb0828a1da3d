import { faulty, good, type JudgedCase } from './case';

/** Written with what is expected of each before any of them was tried; not tried before everything else was mended. */
export const heldBack: readonly JudgedCase[] = [
  good(
    'ordre-da',
    'da',
    `<form method="post" action="/ordre">
<label>Fornavn <input name="fornavn" autocomplete="given-name" required></label>
<label>Efternavn <input name="efternavn" autocomplete="family-name" required></label>
<label for="pn">Postnummer</label> <input id="pn" name="postnr" autocomplete="postal-code" inputmode="numeric" pattern="[0-9]{4}" maxlength="4" aria-describedby="pn-h" required> <small id="pn-h">Fire cifre</small>
<label>By <input name="by" autocomplete="address-level2" required></label>
<label>Mobilnummer <input type="tel" name="mobil" autocomplete="tel" required></label>
<button>Bestil</button></form>`,
  ),
  good(
    'objednavka-cs',
    'cs',
    `<form method="post" action="/objednavka">
<label>Jméno a příjmení <input name="jmeno" autocomplete="name" required></label>
<label for="psc">PSČ</label> <input id="psc" name="psc" autocomplete="postal-code" pattern="[0-9]{3} ?[0-9]{2}" aria-describedby="psc-h" required> <small id="psc-h">Například 110 00</small>
<label>Telefon <input type="tel" name="telefon" autocomplete="tel"></label>
<label>Poznámka <textarea name="poznamka"></textarea></label>
<button>Odeslat</button></form>`,
  ),
  good(
    'zamovlennya-uk',
    'uk',
    `<form method="post" action="/zamovlennya">
<label>Прізвище <input name="prizvyshche" autocomplete="family-name" required></label>
<label>Ім’я <input name="imya" autocomplete="given-name" required></label>
<label>Номер телефону <input type="tel" name="telefon" autocomplete="tel" required></label>
<label>Електронна пошта <input type="email" name="email" autocomplete="email"></label>
<button>Надіслати</button></form>`,
  ),
  good(
    'sabt-fa',
    'fa',
    `<form method="post" action="/sabt">
<label>نام و نام خانوادگی <input name="name" autocomplete="name" required></label>
<label>شماره همراه <input type="tel" name="phone" autocomplete="tel" required></label>
<label>توضیحات <textarea name="notes"></textarea></label>
<button>ثبت</button></form>`,
  ),
  good(
    'jubun-ko',
    'ko',
    `<form method="post" action="/jumun">
<label>이름 <input name="name" autocomplete="name" required></label>
<label>휴대전화 <input type="tel" name="phone" autocomplete="tel" required></label>
<label for="zip">우편번호</label> <input id="zip" name="zip" autocomplete="postal-code" inputmode="numeric" pattern="[0-9]{5}" maxlength="5" aria-describedby="zip-h"> <small id="zip-h">다섯 자리 숫자</small>
<button>주문</button></form>`,
  ),
  good(
    'rendeles-hu',
    'hu',
    `<form method="post" action="/rendeles">
<label>Név <input name="nev" autocomplete="name" required></label>
<label for="irsz">Irányítószám</label> <input id="irsz" name="irsz" autocomplete="postal-code" inputmode="numeric" pattern="[1-9][0-9]{3}" aria-describedby="irsz-h" required> <small id="irsz-h">Négy számjegy</small>
<label>Utca, házszám <input name="utca" autocomplete="address-line1" required></label>
<label>E-mail cím <input type="email" name="email" autocomplete="email" required></label>
<button>Megrendelem</button></form>`,
  ),
  good(
    'job-en',
    'en',
    `<form method="post" action="/apply" enctype="multipart/form-data">
<label>Full name <input name="name" autocomplete="name" required></label>
<label>Email <input type="email" name="email" autocomplete="email" required></label>
<label>Notice period <select name="notice"><option value="">Choose</option><option>None</option><option>1 month</option></select></label>
<label>Curriculum vitae <input type="file" name="cv" accept=".pdf,.odt" required></label>
<label>Education level <input name="education"></label>
<label>Place of birth <input name="birthplace"></label>
<button>Apply</button></form>`,
  ),
  good(
    'vehicle-en',
    'en-GB',
    `<form method="post" action="/vehicle">
<label>Vehicle name <input name="vehicle"></label>
<label>Account number <input name="account" inputmode="numeric" pattern="[0-9]{8}" title="Eight digits"></label>
<label>Lead time in days <input type="number" name="lead" min="0"></label>
<label>Bank name <input name="bank" pattern="[A-Za-z &]+" title="Letters, spaces and &amp;"></label>
<button>Save</button></form>`,
    ['limit not shown'],
  ),
  faulty(
    'anmeldung-at',
    'de-AT',
    `<form method="psot" action="/anmeldung">
<label>Familienname <input name="name" pattern="[A-Z][a-z]+" required></label>
<label>Postleitzahl <input name="plz" inputmode="number" pattern="[0-9]{5}" required></label>
<label>Kennwort <input type="password" name="kennwort" minlength="12" maxlength="8"></label>
<button>Anmelden</button></form>`,
    [
      ['person misled', null, 'no such value'],
      ['cannot enter a valid value', 'Familienname', 'shape refused'],
      ['person misled', 'Postleitzahl', 'no such value'],
      ['cannot enter a valid value', 'Postleitzahl', 'shape refused'],
      ['cannot enter a valid value', 'Kennwort', 'minlength above maxlength'],
      ['wrong value sent', 'Kennwort', 'secret in the address'],
    ],
    ['pattern without a hint', 'limit not shown', 'shape accepted'],
  ),
  faulty(
    'spedizione-it',
    'it',
    `<form method="post" action="/spedizione">
<label>Cognome <input name="cognome" pattern="[a-zA-Z]+" required></label>
<label>CAP <input name="cap" type="number" required></label>
<label>Cellulare <input type="tel" name="cell" maxlength="10" required></label>
<button>Spedisci</button></form>`,
    [
      ['cannot enter a valid value', 'Cognome', 'shape refused'],
      ['wrong value sent', 'CAP', 'code as number'],
      ['value lost', 'Cellulare', 'shape cut'],
    ],
    ['pattern without a hint', 'limit not shown'],
  ),
  faulty(
    'amount-en',
    'en',
    `<form method="post" action="/transfer">
<label for="amount">Amount</label> <input id="amount" name="amount" inputmode="numeric" pattern="[0-9]+\\.[0-9]{2}" aria-describedby="amount-h" required> <small id="amount-h">For example 12.50</small>
<label>Reference <input name="reference" pattern="[A-Z0-9]*" title="Capitals and digits"></label>
<button name="submit">Transfer</button></form>`,
    [
      ['cannot enter a valid value', 'Amount', 'keyboard lacks'],
      ['person misled', 'Transfer', 'name hides a member'],
    ],
    ['pattern accepts nothing'],
  ),
  faulty(
    'survey-en',
    'en',
    `<form method="post" action="/survey">
<p>Your age</p><label><input type="radio" name="age"> Under 30</label><label><input type="radio" name="age"> 30 or more</label>
<label>Website <input type="url" name="site" value="http://"></label>
<label>Day <input type="date" name="day" value="31.12.2026"></label>
<label>Score <input type="range" name="score" step="0"></label>
<button type="sumbit">Send</button></form>`,
    [
      ['wrong value sent', 'age', 'radio buttons without values'],
      ['person misled', 'Website', 'default refused'],
      ['person misled', 'Day', 'default thrown away'],
      ['person misled', 'Score', 'unreadable number'],
      ['person misled', 'Send', 'no such value'],
    ],
    ['slider without readout', 'choices without a question', 'hint as value'],
  ),
];
