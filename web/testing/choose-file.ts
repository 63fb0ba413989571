/** Chooses a file in a field, and waits until the screen has read it: no number of frames is sure to be enough. */
export async function chooseFile(field: string, content: BlobPart, name: string): Promise<void> {
  const files = new DataTransfer();
  files.items.add(new File([content], name));
  const input = document.querySelector<HTMLInputElement>(field)!;
  // eslint-disable-next-line @typescript-eslint/unbound-method -- called on its blob, and put back below
  const { arrayBuffer } = Blob.prototype;
  const readings: Promise<ArrayBuffer>[] = [];
  Blob.prototype.arrayBuffer = function () {
    const reading = arrayBuffer.call(this);
    readings.push(reading);
    return reading;
  };
  input.files = files.files;
  input.dispatchEvent(new Event('change'));
  Blob.prototype.arrayBuffer = arrayBuffer;
  await Promise.all(readings);
  await new Promise((resolve) => setTimeout(resolve));
}
