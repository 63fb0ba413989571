-- Whether a hand on the wheel is all right as a prompt is asked. It was kept as yes or no, and "no" was also what nobody
-- had asked: asked anew rather than taken for an answer.
update booking
set document = json_remove(
  case json_extract(document, '$.prompting')
    when 1 then json_set(document, '$.touch', json('true'))
    else document
  end,
  '$.prompting'
);
