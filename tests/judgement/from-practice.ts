import { faulty, good, type JudgedCase } from './case';

/** Forms as frameworks write them, and as shops and offices of other countries do: what is common there is no fault. */
export const formsFromPractice: readonly JudgedCase[] = [
  good(
    'sign-up-in-cells',
    'en',
    `<form class="new_user" id="new_user" action="/users" accept-charset="UTF-8" method="post">
<input name="utf8" type="hidden" value="&#x2713;" autocomplete="off"><input type="hidden" name="token" value="abc123==" autocomplete="off">
<div class="field"><label for="user_email">Email</label><br><input autofocus="autofocus" autocomplete="email" type="email" value="" name="user[email]" id="user_email"></div>
<div class="field"><label for="user_password">Password</label> <em>(6 characters minimum)</em><br><input autocomplete="new-password" type="password" name="user[password]" id="user_password" minlength="6"></div>
<div class="field"><input name="user[newsletter]" type="hidden" value="0" autocomplete="off"><input type="checkbox" value="1" name="user[newsletter]" id="user_newsletter"><label for="user_newsletter">Newsletter</label></div>
<select name="user[born(3i)]" aria-label="Day"><option value="1">1</option><option value="2">2</option></select>
<div class="actions"><input type="submit" name="commit" value="Sign up"></div></form>`,
  ),
  good(
    'contact-in-paragraphs',
    'en',
    `<form action="/contact/" method="post"><input type="hidden" name="csrf" value="x">
<p><label for="id_subject">Subject:</label> <input type="text" name="subject" maxlength="100" required id="id_subject"></p>
<p><label for="id_message">Message:</label> <textarea name="message" cols="40" rows="10" required id="id_message"></textarea></p>
<p><label for="id_sender">Sender:</label> <input type="email" name="sender" maxlength="320" required id="id_sender"></p>
<p><label for="id_when">When:</label> <input type="text" name="when" pattern="[0-9]{4}-[0-9]{2}-[0-9]{2}" required id="id_when"> <span class="helptext">YYYY-MM-DD</span></p>
<p><label for="id_price">Price:</label> <input type="number" name="price" step="0.01" id="id_price"></p>
<input type="submit" value="Send"></form>`,
    // Only dates that there are: nobody checks that here.
    ['shape accepted'],
  ),
  good(
    'search-and-filter',
    'en',
    `<form role="search" action="/search"><input type="search" name="q" aria-label="Search the site" placeholder="Search…" enterkeyhint="search"><button aria-label="Search">🔍</button></form>
<form action="/filter"><fieldset><legend>Price</legend><label>From <input type="number" name="min" min="0" placeholder="0"></label><label>to <input type="number" name="max" min="0" placeholder="1000"></label></fieldset><label>Sort by <select name="sort" onchange="this.form.submit()"><option value="new">Newest</option><option value="cheap">Cheapest</option></select></label><noscript><button>Apply</button></noscript></form>`,
  ),
  good(
    'date-of-birth-in-parts',
    'en-GB',
    `<form action="/date" method="post" novalidate>
<fieldset aria-describedby="dob-hint" role="group"><legend>What is your date of birth?</legend><div id="dob-hint">For example, 31 3 1980</div>
<label for="dob-day">Day</label><input id="dob-day" name="dob-day" type="text" inputmode="numeric" autocomplete="bday-day">
<label for="dob-month">Month</label><input id="dob-month" name="dob-month" type="text" inputmode="numeric" autocomplete="bday-month">
<label for="dob-year">Year</label><input id="dob-year" name="dob-year" type="text" inputmode="numeric" autocomplete="bday-year"></fieldset>
<label for="sc">Sort code</label><div id="sch">Must be 6 digits long</div><input id="sc" name="sort-code" inputmode="numeric" spellcheck="false" aria-describedby="sch" autocomplete="off">
<label for="an">Account number</label><div id="anh">Must be between 6 and 8 digits long</div><input id="an" name="account" inputmode="numeric" spellcheck="false" aria-describedby="anh" autocomplete="off">
<label for="tel">Telephone number</label><input id="tel" name="tel" type="tel" autocomplete="tel">
<button type="submit">Continue</button></form>`,
  ),
  good(
    'code-in-boxes',
    'en',
    `<form method="post" action="/verify"><fieldset><legend>Enter the code</legend>
<input name="d1" aria-label="Digit 1" inputmode="numeric" maxlength="1" pattern="[0-9]" required autocomplete="one-time-code">
<input name="d2" aria-label="Digit 2" inputmode="numeric" maxlength="1" pattern="[0-9]" required>
<input name="d3" aria-label="Digit 3" inputmode="numeric" maxlength="1" pattern="[0-9]" required></fieldset><button>Verify</button></form>`,
  ),
  faulty(
    'cadastro-br',
    'pt-BR',
    `<form method="post" action="/cadastro">
<label for="n">Nome completo</label><input id="n" name="nome" autocomplete="name" required>
<label for="c">CPF</label><input id="c" name="cpf" inputmode="numeric" pattern="\\d{3}\\.?\\d{3}\\.?\\d{3}-?\\d{2}" required aria-describedby="ch"><small id="ch">Somente números, com ou sem pontuação</small>
<label for="cep">CEP</label><input id="cep" name="cep" autocomplete="postal-code" inputmode="numeric" pattern="\\d{5}-\\d{3}" required aria-describedby="ceph"><small id="ceph">00000-000</small>
<label for="tel">Celular</label><input id="tel" name="celular" type="tel" autocomplete="tel-national" placeholder="(11) 91234-5678">
<label for="d">Data de nascimento</label><input id="d" name="nasc" type="date" autocomplete="bday" max="2026-12-01">
<button>Enviar</button></form>`,
    [['cannot enter a valid value', 'CEP', 'keyboard lacks']],
  ),
  faulty(
    'gaip-ko',
    'ko',
    `<form method="post" action="/gaip">
<label for="n">이름</label><input id="n" name="name" autocomplete="name" pattern="[가-힣]{2,10}" title="한글 이름" required>
<label for="p">휴대폰 번호</label><input id="p" type="tel" name="phone" pattern="01[0-9]-?[0-9]{3,4}-?[0-9]{4}" title="010-1234-5678" required>
<label for="b">생년월일 (예: 900101)</label><input id="b" name="birth" inputmode="numeric" pattern="[0-9]{6}" maxlength="6" required>
<label for="d">사업자등록번호</label><input id="d" name="biz" inputmode="numeric" pattern="[0-9]{3}-[0-9]{2}-[0-9]{5}" title="000-00-00000">
<button>가입</button></form>`,
    [['cannot enter a valid value', '사업자등록번호', 'keyboard lacks']],
  ),
  good(
    'zhuce-zh',
    'zh-CN',
    `<form method="post" action="/zhuce">
<label for="n">姓名</label><input id="n" name="xingming" autocomplete="name" pattern="[\\u4e00-\\u9fa5·]{2,20}" title="请输入中文姓名" required>
<label for="p">手机号码</label><input id="p" type="tel" name="phone" pattern="1[3-9]\\d{9}" title="11位手机号" autocomplete="tel" required>
<label for="i">身份证号</label><input id="i" name="idcard" pattern="\\d{17}[\\dXx]" maxlength="18" title="18位身份证号" required>
<label for="y">验证码</label><input id="y" name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="6" pattern="\\d{6}" title="6位数字" required>
<button>注册</button></form>`,
  ),
  faulty(
    'anmalan-sv',
    'sv',
    `<form method="post" action="/anmalan">
<label for="p">Personnummer</label><input id="p" name="pnr" inputmode="numeric" pattern="[0-9]{8}-[0-9]{4}" placeholder="ÅÅÅÅMMDD-NNNN" required>
<label for="n">Namn</label><input id="n" name="namn" pattern="[A-Za-z ]+" title="Bara bokstäver" autocomplete="name" required>
<label for="pn">Postnummer</label><input id="pn" name="postnr" inputmode="numeric" pattern="[0-9]{3} [0-9]{2}" title="123 45" autocomplete="postal-code" required>
<label for="b">Belopp</label><input id="b" name="belopp" type="number" step="1" value="0,50">
<button>Skicka</button></form>`,
    [
      ['cannot enter a valid value', 'Personnummer', 'keyboard lacks'],
      ['cannot enter a valid value', 'Namn', 'shape refused'],
      ['cannot enter a valid value', 'Postnummer', 'keyboard lacks'],
      ['person misled', 'Belopp', 'default thrown away'],
    ],
  ),
  faulty(
    'geburtsdatum-de',
    'de',
    `<form method="post" action="/anmeldung">
<label for="g">Geburtsdatum</label> <input id="g" name="geb" autocomplete="bday" placeholder="TT.MM.JJJJ" pattern="\\d\\d\\.\\d\\d\\.\\d\\d">
<label for="v">Gültig ab</label> <input id="v" name="ab" placeholder="TT.MM.JJJJ" pattern="\\d\\d\\.\\d\\d\\.\\d{4}">
<button>Senden</button></form>`,
    [['person misled', 'Geburtsdatum', 'format refused']],
    ['shape accepted'],
  ),
];
