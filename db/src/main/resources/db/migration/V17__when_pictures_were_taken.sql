-- By the camera's own clock, which knows no zone. What else it wrote beside the picture is not kept.
alter table picture add column taken timestamp;
