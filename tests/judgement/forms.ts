import { faulty, good, type JudgedCase } from './case';

/** Forms with what was expected of each before it was tried. A limit that stands nowhere in words is arguable: some say it is a fault. */
export const forms: readonly JudgedCase[] = [
  good(
    'cadastro-pt',
    'pt-BR',
    `<form method="post" action="/cadastro">
<label>Nome completo <input name="nome" autocomplete="name" required></label>
<label>E-mail <input type="email" name="email" autocomplete="email" required></label>
<label>Celular <input type="tel" name="celular" autocomplete="tel" required></label>
<label for="cep">CEP</label> <input id="cep" name="cep" autocomplete="postal-code" inputmode="numeric" pattern="[0-9]{5}-?[0-9]{3}" aria-describedby="cep-dica"> <small id="cep-dica">8 dígitos, com ou sem hífen</small>
<label>Observações <textarea name="obs" maxlength="2000"></textarea></label>
<button>Enviar</button></form>`,
  ),
  good(
    'bestelling-nl',
    'nl',
    `<form method="post" action="/bestel">
<label>Voornaam <input name="voornaam" autocomplete="given-name" required></label>
<label>Achternaam <input name="achternaam" autocomplete="family-name" required></label>
<label for="pc">Postcode</label> <input id="pc" name="postcode" autocomplete="postal-code" pattern="[1-9][0-9]{3} ?[A-Za-z]{2}" aria-describedby="pc-h" required> <small id="pc-h">Bijvoorbeeld 1234 AB</small>
<label>Huisnummer en toevoeging <input name="huisnummer" autocomplete="off" required></label>
<label>E-mailadres <input type="email" name="email" autocomplete="email" required></label>
<button type="submit">Bestellen</button></form>`,
  ),
  good(
    'kontakt-pl',
    'pl',
    `<form method="post" action="/kontakt">
<label>Imię i nazwisko <input name="imie" autocomplete="name" required></label>
<label>Adres e-mail <input type="email" name="email" autocomplete="email" required></label>
<label>Telefon (opcjonalnie) <input type="tel" name="telefon" autocomplete="tel"></label>
<label>Wiadomość <textarea name="wiadomosc" required></textarea></label>
<label><input type="checkbox" name="zgoda" required> Wyrażam zgodę na kontakt</label>
<button>Wyślij</button></form>`,
  ),
  good(
    'zayavka-ru',
    'ru',
    `<form method="post" action="/zayavka">
<label>Фамилия <input name="familiya" autocomplete="family-name" required></label>
<label>Имя <input name="imya" autocomplete="given-name" required></label>
<label>Телефон <input type="tel" name="telefon" autocomplete="tel" required></label>
<label>Удобная дата <input type="date" name="data"></label>
<label>Комментарий <textarea name="kommentariy"></textarea></label>
<button>Отправить</button></form>`,
  ),
  good(
    'harshama-he',
    'he',
    `<form method="post" action="/register">
<label>שם פרטי <input name="first" autocomplete="given-name" required></label>
<label>שם משפחה <input name="last" autocomplete="family-name" required></label>
<label>טלפון נייד <input type="tel" name="phone" autocomplete="tel" required></label>
<label>דואר אלקטרוני <input type="email" name="email" autocomplete="email" dir="ltr"></label>
<button>שליחה</button></form>`,
  ),
  good(
    'panjikaran-hi',
    'hi',
    `<form method="post" action="/panjikaran">
<label>पूरा नाम <input name="naam" autocomplete="name" required></label>
<label>मोबाइल नंबर <input type="tel" name="mobile" autocomplete="tel" required></label>
<label for="pin">पिन कोड</label> <input id="pin" name="pin" autocomplete="postal-code" inputmode="numeric" pattern="[0-9०-९]{6}" aria-describedby="pin-h"> <small id="pin-h">छह अंक</small>
<button>भेजें</button></form>`,
    // Some keypads of digits have no digits of the language, and nobody needs them there.
    ['detour'],
  ),
  good(
    'samak-th',
    'th',
    `<form method="post" action="/samak">
<label>ชื่อ <input name="first" autocomplete="given-name" required></label>
<label>นามสกุล <input name="last" autocomplete="family-name" required></label>
<label>เบอร์โทรศัพท์ <input type="tel" name="phone" autocomplete="tel" required></label>
<label>อีเมล <input type="email" name="email" autocomplete="email"></label>
<button>ส่ง</button></form>`,
  ),
  good(
    'dat-hang-vi',
    'vi',
    `<form method="post" action="/dat-hang">
<label>Họ và tên <input name="ten" autocomplete="name" required pattern="[\\p{L}\\p{M} '.\\-]+" title="Chữ cái, dấu cách, dấu nháy"></label>
<label>Số điện thoại <input type="tel" name="dt" autocomplete="tel" required></label>
<label>Địa chỉ <input name="diachi" autocomplete="address-line1" required></label>
<button>Đặt hàng</button></form>`,
  ),
  good(
    'feedback-en',
    'en',
    `<form method="post" action="/feedback">
<fieldset><legend>How was your visit?</legend>
<label><input type="radio" name="visit" value="good" required> Good</label>
<label><input type="radio" name="visit" value="fair"> Fair</label>
<label><input type="radio" name="visit" value="poor"> Poor</label></fieldset>
<label>What should we keep, or change? <textarea name="words" rows="5"></textarea></label>
<label>Email, if we may answer <input type="email" name="email" autocomplete="email"></label>
<button>Send feedback</button></form>`,
  ),
  good(
    'table-en',
    'en-GB',
    `<form method="post" action="/table">
<label for="day">Day</label> <input type="date" id="day" name="day" min="2026-12-01" max="2027-03-31" aria-describedby="day-h" required> <small id="day-h">From 1 December 2026 to 31 March 2027</small>
<label>Time <select name="time" required><option value="">Choose a time</option><option>18:00</option><option>20:00</option></select></label>
<label for="guests">Guests (1 to 8)</label> <input type="number" id="guests" name="guests" min="1" max="8" required>
<label>Name <input name="name" autocomplete="name" required></label>
<label>Phone <input type="tel" name="phone" autocomplete="tel" required></label>
<button>Book the table</button></form>`,
  ),
  good(
    'code-en',
    'en',
    `<form method="post" action="/verify">
<label for="code">Code from the message</label>
<input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" pattern="[0-9]{6}" maxlength="6" aria-describedby="code-h" required>
<p id="code-h">Six digits</p>
<button>Continue</button></form>`,
  ),
  good(
    'search-en',
    'en',
    `<form action="/search" role="search"><input type="search" name="q" aria-label="Search the catalogue"><button>Search</button></form>`,
  ),
  good(
    'settings-en',
    'en',
    `<form method="post" action="/settings" enctype="multipart/form-data">
<label>Language <select name="language"><option value="en">English</option><option value="fi">Suomi</option></select></label>
<label><input type="checkbox" name="mail" value="yes" checked> Send me a weekly summary</label>
<label>Accent colour <input type="color" name="accent" value="#2f6f73"></label>
<label>Picture <input type="file" name="picture" accept="image/*"></label>
<button>Save</button></form>`,
  ),
  good(
    'tilaus-fi',
    'fi',
    `<form method="post" action="/tilaus">
<label>Etunimi <input name="etunimi" autocomplete="given-name" required></label>
<label>Sukunimi <input name="sukunimi" autocomplete="family-name" required></label>
<label>Katuosoite <input name="osoite" autocomplete="address-line1" required></label>
<label for="pn">Postinumero</label> <input id="pn" name="postinumero" autocomplete="postal-code" inputmode="numeric" pattern="[0-9]{5}" maxlength="5" aria-describedby="pn-h" required> <small id="pn-h">Viisi numeroa</small>
<label>Puhelin <input type="tel" name="puhelin" autocomplete="tel"></label>
<button>Tilaa</button></form>`,
  ),
  faulty(
    'login-en',
    'en',
    `<form action="/login">
<label>Email <input type="emial" name="email" autocomplete="username"></label>
<label>Password <input type="password" name="password" autocomplete="current-password" onpaste="return false"></label>
<button>Log in</button></form>`,
    [
      ['wrong value sent', 'Password', 'secret in the address'],
      ['person misled', 'Email', 'unknown type'],
      ['person misled', 'Password', 'paste is refused'],
    ],
  ),
  faulty(
    'inscription-fr',
    // In French alone, four digits may be a Belgian or a Swiss postcode.
    'fr-FR',
    `<form method="post" action="/inscription">
<label>Nom de famille <input name="nom" pattern="[A-Za-z]+" required></label>
<label>Code postal <input name="cp" pattern="[0-9]{4}" required></label>
<label>Numéro de carte <input name="carte" maxlength="16" inputmode="numeric"></label>
<button>Envoyer</button></form>`,
    [
      ['cannot enter a valid value', 'Nom de famille', 'shape refused'],
      ['cannot enter a valid value', 'Code postal', 'shape refused'],
      ['value lost', 'Numéro de carte', 'shape cut'],
    ],
    ['pattern without a hint', 'limit not shown', 'autocomplete'],
  ),
  faulty(
    'konto-de',
    'de',
    `<form method="post" action="/konto">
<label>IBAN <input name="iban" maxlength="22" required></label>
<label>Vorname <input name="vorname" autocomplete="given-name" pattern="[a-zA-Z]{2,}" required></label>
<label>Handynummer <input type="tel" name="handy" pattern="[0-9]+" required></label>
<button>Weiter</button></form>`,
    [
      ['value lost', 'IBAN', 'shape cut'],
      ['cannot enter a valid value', 'Vorname', 'shape refused'],
      ['person misled', 'Handynummer', 'shape refused'],
    ],
    ['pattern without a hint', 'limit not shown', 'shape accepted'],
  ),
  faulty(
    'nested-en',
    'en',
    `<form method="post" action="/order">
<label>Name <input name="name" requierd></label>
<form action="/coupon"><label>Coupon <input name="coupon" pattern="[A-Z0-9()]+" title="Capitals, digits and brackets"></label></form>
<label>Notes <textarea name="notes"></textarea></label>
<button>Order</button></form>`,
    [
      ['value lost', null, 'form ends early'],
      ['person misled', 'Name', 'misspelt attribute'],
      ['wrong value sent', 'Coupon', 'pattern does not compile'],
    ],
  ),
  faulty(
    'touroku-ja',
    'ja',
    `<form method="post" action="/touroku">
<label>お名前 <input name="name" autocomplete="name" required></label>
<label>フリガナ <input name="kana" pattern="[ァ-ヶー]+" required></label>
<label>電話番号 <input type="tel" name="tel" pattern="[0-9]{10}" required></label>
<button>登録</button></form>`,
    [
      ['person misled', 'フリガナ', 'shape refused'],
      ['cannot enter a valid value', '電話番号', 'shape refused'],
    ],
    ['pattern without a hint'],
  ),
  faulty(
    'slow-en',
    'en',
    `<form method="post" action="/tags">
<label for="tags">Tags</label> <input id="tags" name="tags" pattern="(?:[a-z]+[, ]*)+" aria-describedby="tags-h"> <small id="tags-h">Small letters, commas between them</small>
<button>Save</button></form>`,
    [['value lost', 'Tags', 'slow pattern']],
  ),
  faulty(
    'marks-en',
    'en',
    `<form method="post" action="/profile">
First name <input name="first" id="n" autofocus tabindex="3">
<label for="n">Last name</label> <input name="last" id="n" autofocus>
<label>Phone <input type="number" name="phone"></label>
<label>Birthday <input type="date" name="birthday" min="2020-01-01" max="1900-01-01"></label>
<button>Save</button></form>`,
    [
      ['person misled', null, 'duplicate id'],
      ['person misled', 'Last name', 'focus jumps'],
      ['person misled', null, 'focus asked for twice'],
      ['wrong value sent', 'Phone', 'number to dial'],
      ['cannot enter a valid value', 'Birthday', 'min above max'],
    ],
    // That the second one has no label comes of its id.
    ['limit not shown', 'autocomplete', 'no label'],
  ),
  faulty(
    'pay-en',
    'en',
    `<form method="post" action="/pay">
<label>Card number <input type="number" name="card"></label>
<label>Security code <input type="number" name="cvc" maxlength="3"></label>
<label>Country <select name="country" required><option value="af">Afghanistan</option><option value="al">Albania</option></select></label>
<input type="radio" name="save" value="yes"> Save the card
<button>Pay</button></form>`,
    [
      ['wrong value sent', 'Card number', 'code as number'],
      ['wrong value sent', 'Security code', 'code as number'],
      ['wrong value sent', 'Country', 'required choice is made'],
      ['wrong value sent', 'save', 'radio button alone'],
      ['person misled', 'save', 'no label'],
    ],
    ['attribute ignored', 'autocomplete', 'choices without a question'],
  ),
  faulty(
    'booking-ar',
    'ar-SA',
    `<form method="post" action="/booking">
<label>الاسم <input name="name" autocomplete="name" required></label>
<label>رقم الجوال <input type="tel" name="phone" autocomplete="tel" pattern="05[0-9]{8}" required></label>
<label>ملاحظات <textarea name="notes" maxlength="-1"></textarea></label>
<button>إرسال</button></form>`,
    [
      ['person misled', 'رقم الجوال', 'shape refused'],
      ['person misled', 'ملاحظات', 'unreadable number'],
    ],
    ['pattern without a hint'],
  ),
  faulty(
    'dead-en',
    'en',
    `<form action="/q">
<label>From <input></label>
<label>To <input name="to"></label>
<label>Seats <input name="seats" list="none" value="number of seats"></label>
</form>`,
    [
      ['value lost', null, 'no way to send'],
      ['value lost', 'From', 'no name'],
      ['person misled', 'Seats', 'list not there'],
      ['wrong value sent', 'Seats', 'hint as value'],
    ],
  ),
];
