import { useRef, useState } from 'react';
import { setAt } from '../../../client/edits/set-at.ts';
import { call } from '../../../client/http.ts';
import { squarePicture, type KeptPart } from '../../../client/pictures/square-picture.ts';
import { pictureAddress } from '../../../core/options/picture-address.ts';
import type { DeliveryOption } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { EditedTexts } from '../../fields/EditedTexts.tsx';
import { useEdit } from '../../page/use-edit.tsx';

const parts: readonly (readonly [KeptPart, string])[] = [
  ['middle', 'its middle'],
  ['start', 'its left or upper part'],
  ['end', 'its right or lower part'],
];

/** An option's picture: dropped, pasted or chosen, and made a square. */
export function PictureField({
  optionId,
  picture,
  languages,
}: {
  optionId: string;
  picture: DeliveryOption['picture'];
  languages: readonly string[];
}) {
  const edit = useEdit();
  const chooser = useRef<HTMLInputElement>(null);
  const [given, setGiven] = useState<Blob | null>(null);
  const [part, setPart] = useState<KeptPart>('middle');
  const [isOver, setIsOver] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const path = ['options', optionId, 'picture'];
  const take = async (file: Blob | null | undefined, kept: KeptPart) => {
    if (!file) return;
    setRefused(null);
    const squared = await squarePicture(file, kept);
    if (!squared.ok) return setRefused(squared.reason);
    const { type } = squared.picture;
    const answer = await call('POST /api/pictures', { file: { content: squared.picture, type } });
    if (!answer.ok) return setRefused(`${answer.problem.title}. ${answer.problem.detail}`);
    setGiven(squared.square ? null : file);
    edit(
      setAt(picture ? [...path, 'image'] : path, picture ? answer.body.image : { image: answer.body.image, alt: {} }),
    );
  };
  const fileIn = (data: DataTransfer) => [...data.files].find(({ type }) => type.startsWith('image/')) ?? data.files[0];
  return (
    <div className="text-small" data-testid="picture">
      <span
        className={`inline-flex items-center gap-2 rounded-[2px] border border-dashed px-2 py-0.5 ${isOver ? 'border-primary' : 'border-hairline'}`}
        onDragOver={(event) => {
          event.preventDefault();
          setIsOver(true);
        }}
        onDragLeave={() => setIsOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setIsOver(false);
          void take(fileIn(event.dataTransfer), part);
        }}
        onPaste={(event) => void take(fileIn(event.clipboardData), part)}
        data-testid="picture-drop"
      >
        {picture && (
          <img src={pictureAddress(picture.image)} alt="" width={28} height={28} data-testid="picture-shown" />
        )}
        Its picture{' '}
        <button type="button" className="btn btn-xs" onClick={() => chooser.current?.click()}>
          {picture ? 'choose another' : 'choose a picture'}
        </button>
        <span className="text-soft">or drop or paste one here</span>
        <input
          ref={chooser}
          type="file"
          accept="image/*"
          className="hidden"
          aria-label="Picture"
          onChange={(event) => {
            void take(event.target.files?.[0], part);
            event.target.value = '';
          }}
          data-testid="picture-file"
        />
      </span>{' '}
      {given && (
        <>
          of which{' '}
          <PhraseSelect
            label="Part of the picture that is kept"
            value={part}
            options={parts}
            choose={(kept) => {
              setPart(kept as KeptPart);
              void take(given, kept as KeptPart);
            }}
            testId="picture-part"
          />{' '}
          is kept{' '}
        </>
      )}
      {picture && (
        <>
          read out as{' '}
          <EditedTexts
            label="Words for the picture"
            at={[...path, 'alt']}
            texts={picture.alt}
            languages={languages}
            needed
            testId="picture-alt"
          />
          <button type="button" className="btn btn-xs" onClick={() => edit(setAt(path, undefined))}>
            no picture
          </button>
        </>
      )}
      {refused && (
        <span role="alert" className="text-error">
          {refused}
        </span>
      )}
    </div>
  );
}
