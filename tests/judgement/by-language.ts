import { faulty, good, type JudgedCase } from './case';

/** Forms of which the language decides: which letters, digits and signs its keyboards bring. What was expected of each was written before it was tried. */
export const formsByLanguage: readonly JudgedCase[] = [
  good(
    'devis-fr',
    'fr',
    `<form method="post" action="/devis">
<label>Nom <input name="nom" autocomplete="name" required></label>
<label for="p">Prix au mètre</label> <input id="p" name="prix" inputmode="decimal" pattern="[0-9]+(?:,[0-9]{1,2})?" aria-describedby="ph" required> <small id="ph">En euros, par exemple 12,50</small>
<button>Envoyer</button></form>`,
  ),
  faulty(
    'angebot-de',
    'de',
    `<form method="post" action="/angebot">
<label for="p">Preis je Meter</label> <input id="p" name="preis" inputmode="decimal" pattern="[0-9]+[.][0-9]{2}" aria-describedby="ph" required> <small id="ph">In Euro, zum Beispiel 12.50</small>
<button>Senden</button></form>`,
    [['cannot enter a valid value', 'Preis je Meter', 'keyboard lacks']],
  ),
  good(
    'offerte-ch',
    'de-CH',
    `<form method="post" action="/offerte">
<label for="p">Preis je Meter</label> <input id="p" name="preis" inputmode="decimal" pattern="[0-9]+[.][0-9]{2}" aria-describedby="ph" required> <small id="ph">In Franken, zum Beispiel 12.50</small>
<button>Senden</button></form>`,
  ),
  good(
    'presupuesto-es',
    'es',
    `<form method="post" action="/presupuesto">
<label for="p">Precio por metro</label> <input id="p" name="precio" inputmode="decimal" pattern="[0-9]+[.][0-9]{2}" aria-describedby="ph" required> <small id="ph">Por ejemplo 12.50</small>
<button>Enviar</button></form>`,
  ),
  faulty(
    'presupuesto-de-espana',
    'es-ES',
    `<form method="post" action="/presupuesto">
<label for="p">Precio por metro</label> <input id="p" name="precio" inputmode="decimal" pattern="[0-9]+[.][0-9]{2}" aria-describedby="ph" required> <small id="ph">Por ejemplo 12.50</small>
<button>Enviar</button></form>`,
    [['cannot enter a valid value', 'Precio por metro', 'keyboard lacks']],
  ),
  good(
    'aitisi-el',
    'el',
    `<form method="post" action="/aitisi">
<label for="e">Επώνυμο</label> <input id="e" name="eponymo" autocomplete="family-name" pattern="[\\p{L}\\p{M}' \\-]+" aria-describedby="eh" required> <small id="eh">Μόνο γράμματα</small>
<label>Τηλέφωνο <input type="tel" name="tilefono" autocomplete="tel"></label>
<button>Αποστολή</button></form>`,
  ),
  faulty(
    'kodikos-el',
    'el',
    `<form method="post" action="/kodikos">
<label for="k">Κωδικός συμμετοχής</label> <input id="k" name="kodikos" autocomplete="off" inputmode="numeric" pattern="[Α-Ω]{2}[0-9]{4}" aria-describedby="kh" required> <small id="kh">Δύο κεφαλαία και τέσσερα ψηφία, π.χ. ΑΒ1234</small>
<button>Αποστολή</button></form>`,
    [['cannot enter a valid value', 'Κωδικός συμμετοχής', 'keyboard lacks']],
  ),
  good(
    'moushikomi-ja',
    'ja',
    `<form method="post" action="/moushikomi">
<label>お名前 <input name="namae" autocomplete="name" required></label>
<label for="k">フリガナ</label> <input id="k" name="kana" autocomplete="off" pattern="[ァ-ヶー　 ]+" aria-describedby="kh" required> <small id="kh">全角カタカナ</small>
<button>送信</button></form>`,
  ),
  faulty(
    'yuubin-ja',
    'ja',
    `<form method="post" action="/yuubin">
<label for="y">受付番号</label> <input id="y" name="uketsuke" autocomplete="off" inputmode="numeric" pattern="第[0-9０-９]{3}号" aria-describedby="yh" required> <small id="yh">例：第123号</small>
<button>送信</button></form>`,
    [['cannot enter a valid value', '受付番号', 'keyboard lacks']],
  ),
  good(
    'sincheong-ko',
    'ko',
    `<form method="post" action="/sincheong">
<label for="n">이름</label> <input id="n" name="ireum" autocomplete="name" pattern="[가-힣A-Za-z \\-]+" aria-describedby="nh" required> <small id="nh">한글 또는 영문</small>
<button>보내기</button></form>`,
  ),
  good(
    'darkhast-fa',
    'fa',
    `<form method="post" action="/darkhast">
<label for="m">مبلغ</label> <input id="m" name="mablagh" inputmode="decimal" pattern="[0-9۰-۹]+(?:[.٫][0-9۰-۹]+)?" aria-describedby="mh" required> <small id="mh">به تومان</small>
<button>ارسال</button></form>`,
  ),
  good(
    'basvuru-tr',
    'tr',
    `<form method="post" action="/basvuru">
<label for="s">Şehir</label> <input id="s" name="sehir" autocomplete="address-level2" pattern="[\\p{L} .'\\-]+" aria-describedby="sh" required> <small id="sh">Yalnızca harf</small>
<button>Gönder</button></form>`,
  ),
  good(
    'quote-za',
    'en-ZA',
    `<form method="post" action="/quote">
<label for="p">Price per metre</label> <input id="p" name="price" inputmode="decimal" pattern="[0-9]+,[0-9]{2}" aria-describedby="ph" required> <small id="ph">In rand, for example 12,50</small>
<button>Send</button></form>`,
  ),
  faulty(
    'quote-us',
    'en-US',
    `<form method="post" action="/quote">
<label for="p">Price per yard</label> <input id="p" name="price" inputmode="decimal" pattern="[0-9]+,[0-9]{2}" aria-describedby="ph" required> <small id="ph">In dollars, for example 12,50</small>
<button>Send</button></form>`,
    [['cannot enter a valid value', 'Price per yard', 'keyboard lacks']],
  ),
];
