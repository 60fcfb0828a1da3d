/** The same sheet as a hurried beginner would have written it, with mistakes planted for Ukko to find. */
export const hurriedTideLog = `<h1>Skerry Tide Log</h1>
<form action="/log">
  <p>Station code <input type="text" name="station" value="SKR-__" autofocus pattern="^[A-Z]{3}-[0-9]{2}" maxlength="6"></p>
  <p><label for="observer">Observer</label> <input type="text" name="observer" id="watcher" autofocus required></p>
  <p><label>E-mail <input type="email" name="email" pattern="[a-z]+@[a-z]+.[a-z]{2,3}"></label></p>
  <p><label>Phone <input type="tel" name="phone" pattern="[0-9-]{[a-z" placeholder="digits"></label></p>
  <p><label>Island page <input type="url" value="http://"></label></p>
  <p><label>Log PIN <input type="number" name="pin" maxlength="4" required></label></p>
  <p><label>Passphrase <input type="password" name="passphrase" pattern=".*"></label></p>
  <p><label>Reading date <input type="date" name="date" min="2026-12-31" max="2026-01-01"></label></p>
  <p><label>Reading moment <input type="datetime" name="moment"></label></p>
  <p><label>High water <input type="time" name="high-water" value="quarter to seven"></label></p>
  <p><label>Survey month <input type="month" name="month"></label></p>
  <p><label>Survey week <input type="week" name="week"></label></p>
  <p><label>Water level <input type="text" name="level" inputmode="numeric" pattern="-?[0-9](\\.[0-9]{2})?"></label></p>
  <p><label>Gulls counted <input type="number" name="gulls"></label></p>
  <p><label>Sea state <input type="range" name="sea" min="0" max="9"></label></p>
  <p><label>Water colour <input type="color" name="colour" value="teal"></label></p>
  <p>Tide
    <label><input type="radio" name="rising" value="rising"> rising</label>
    <label><input type="radio" name="slack" value="slack"> slack</label>
    <label><input type="radio" name="falling" value="falling"> falling</label></p>
  <p><input type="checkbox" name="publish"> May be published</p>
  <p><label>Photos <input type="file" name="photos"></label></p>
  <p><label>Bird seen <input type="text" name="bird" list="bird-list"></label></p>
  <p><label>Remarks <textarea name="remarks" maxlength="280">Write here</textarea></label></p>
  <p><label>Gauge serial <input type="text" name="serial" onkeypress="return /[0-9]/.test(event.key)"></label></p>
  <p><label>Find an entry <input type="search" name="find"></label></p>
  <input type="hidden" name="entry" value="1048">
  <p>Tide coefficient <meter value="82"></meter></p>
  <p>Upload <progress></progress></p>
  <p>Tidal range <output>2.4 m</output></p>
  <button>Save draft</button>
  <button>Send entry</button>
</form>
`;
