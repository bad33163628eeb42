// Large angles, readings taken by stillness or with Enter; spoken, since hands and eyes are busy.
function speak(text) {
  if (!window.speechSynthesis) return;
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(text));
}

export default () => {
  let stream = null;
  let field = null;

  return {
    what: "",
    /** How it is held and moved; shown until the first reading. */
    how: "",
    /** "rest", "lost" or "gone"; empty once it measures. */
    state: "",
    now: null,
    taken: [],

    angle() {
      return this.now === null ? "–" : `${Math.abs(Math.round(this.now))}°`;
    },
    readings() {
      return this.taken.map((t) => `${t}°`).join("   ");
    },
    open({ dataset }) {
      field = document.getElementById(dataset.for);
      this.what = dataset.what;
      this.how = dataset.how;
      this.state = "rest";
      this.now = null;
      this.taken = [];
      stream = new EventSource(`${dataset.stream}&strict=${document.getElementById("strict").checked}`);
      stream.addEventListener("angle", (e) => {
        this.now = Number(e.data);
        if (this.taken.length) this.state = "";
      });
      stream.addEventListener("taken", (e) => this.add(Number(e.data)));
      stream.addEventListener("lost", () => (this.state = "lost"));
      stream.addEventListener("enough", () => this.$refs.inclinometer.close());
      stream.onerror = () => (this.state = "gone");
      this.$refs.inclinometer.showModal();
    },
    add(degrees) {
      if (this.taken.length >= Number(this.$refs.inclinometer.dataset.most)) return;
      this.taken.push(degrees);
      speak(`${Math.round(degrees)} degrees`);
    },
    take() {
      if (this.now !== null) this.add(Math.abs(Math.round(this.now * 10) / 10));
    },
    /** What was read stands in the field as if it had been typed, and came from the instrument. */
    closed() {
      stream.close();
      if (this.taken.length) {
        field.value = this.taken.join(" ");
        field.form.elements.device.value = "true";
        field.dispatchEvent(new Event("change", { bubbles: true }));
        field.form.elements.device.value = "false";
      }
      field.focus();
    },
    /** Alt I reads the instrument for the field in focus, so that Tab goes from number to number. */
    key(event) {
      const asked = event.altKey && event.code === "KeyI";
      const opener = asked && event.target.closest?.("form")?.querySelector("[data-stream]");
      if (!opener) return;
      event.preventDefault();
      this.open(opener);
    },
  };
};
