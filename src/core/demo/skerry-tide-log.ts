/** The demo form: the entry sheet of the Skerry Tide Log. Every name in it is made up. */
export const skerryTideLog = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Skerry Tide Log: entry sheet</title>
<style>
  body { font: 15px/1.5 "Liberation Sans", Arial, sans-serif; margin: 16px 24px; color: #22303a; }
  label, fieldset, .shown { display: block; margin: 0 0 14px; }
  label > :is(input, textarea, select), .shown > * { display: block; margin-top: 2px; }
  label > :is([type=checkbox], [type=radio]) { display: inline-block; margin-top: 0; }
  fieldset label { display: inline-block; margin: 0 12px 0 0; }
  :user-invalid { outline: 2px solid #b3401f; outline-offset: 1px; }
  small { color: #5a6a72; }
  :user-invalid ~ small::before { content: "Please mend: "; color: #b3401f; }
  :out-of-range ~ small::after { content: " (out of range)"; color: #b3401f; }
</style>
</head>
<body>
<h1>Skerry Tide Log</h1>
<form id="entry" action="/log" method="post" enctype="multipart/form-data">
  <label>Station code
    <input type="text" name="station" required autofocus pattern="[A-Z]{3}-[0-9]{2}" title="Three capitals, a hyphen and two digits, as on the post" placeholder="SKR-04" maxlength="6" autocapitalize="characters" autocomplete="off" spellcheck="false">
    <small>Three capitals, a hyphen, two digits</small></label>
  <label>Observer
    <input type="text" name="observer" required autocomplete="name" autocapitalize="words"></label>
  <label>Island
    <select name="island">
      <optgroup label="North"><option value="hst">Hesten</option><option value="grv">Grave Skerry</option></optgroup>
      <optgroup label="South"><option value="lom">Lomholm</option><option value="tre">Treskar</option></optgroup>
    </select></label>
  <label>E-mail
    <input type="email" name="email" required autocomplete="email"></label>
  <label>Phone
    <input type="tel" name="phone" autocomplete="tel" pattern="[+0-9][0-9 ]{5,18}" title="Digits and spaces, a plus in front if you like">
    <small>Digits and spaces, a plus in front if you like</small></label>
  <label>Island page
    <input type="url" name="page" placeholder="https://skerry.example/north"></label>
  <label>Log PIN
    <input type="password" name="pin" required inputmode="numeric" pattern="[0-9]{4}" title="Four digits" autocomplete="off">
    <small>Four digits</small></label>
  <label>Passphrase
    <input type="password" name="passphrase" required minlength="8" autocomplete="current-password">
    <small>At least 8 characters</small></label>
  <label>Reading date
    <input type="date" name="date" required min="2026-01-01" max="2026-12-31">
    <small>In the year 2026</small></label>
  <label>Reading moment
    <input type="datetime-local" name="moment"></label>
  <label>High water
    <input type="time" name="high-water"></label>
  <label>Survey month
    <input type="month" name="month"></label>
  <label>Survey week
    <input type="week" name="week"></label>
  <label>Water level, metres
    <input type="number" name="level" required min="-3" max="8" step="0.01" data-suffix="m">
    <small>From −3 to 8, two decimals</small></label>
  <label>Gulls counted
    <input type="number" name="gulls" min="0" step="1" inputmode="numeric">
    <small>0 or more</small></label>
  <label>Sea state
    <input type="range" name="sea" min="0" max="9" step="1" value="3">
    <output name="sea-shown" for="sea">3</output></label>
  <label>Water colour
    <input type="color" name="colour" value="#2f6f73"></label>
  <fieldset>
    <legend>Tide</legend>
    <label><input type="radio" name="tide" value="rising" required> rising</label>
    <label><input type="radio" name="tide" value="slack" required> slack</label>
    <label><input type="radio" name="tide" value="falling" required> falling</label>
  </fieldset>
  <label><input type="checkbox" name="publish" value="yes"> May be published</label>
  <label>Photos
    <input type="file" name="photos" accept="image/*" multiple></label>
  <label>Bird seen
    <input type="text" name="bird" list="birds" autocomplete="off"></label>
  <datalist id="birds">
    <option value="black guillemot"></option>
    <option value="common eider"></option>
    <option value="herring gull"></option>
    <option value="oystercatcher"></option>
  </datalist>
  <label>Remarks
    <textarea name="remarks" rows="3" cols="40" maxlength="280"></textarea>
    <small>Up to 280 characters</small></label>
  <label>Gauge serial
    <input type="text" name="serial" inputmode="text" autocapitalize="characters" autocomplete="off" placeholder="TG4-7719-QX" pattern="[A-Z0-9]{3}-[0-9]{4}-[A-Z]{2}" title="As on the plate: TG4-7719-QX">
    <small>As on the plate: TG4-7719-QX</small></label>
  <label>Find an entry
    <input type="search" name="find" enterkeyhint="search"></label>
  <input type="hidden" name="entry" value="1048">
  <div class="shown"><label for="coefficient">Tide coefficient</label>
    <meter id="coefficient" min="20" max="120" low="45" high="95" optimum="70" value="82">82</meter></div>
  <div class="shown"><label for="upload">Upload</label>
    <progress id="upload" max="100" value="35">35 %</progress></div>
  <div class="shown"><label for="range-shown">Tidal range</label>
    <output id="range-shown" name="range-shown">2.4 m</output></div>
  <button name="do" value="draft" formnovalidate formaction="/drafts">Save draft</button>
  <button name="do" value="send">Send entry</button>
</form>
</body>
</html>
`;
