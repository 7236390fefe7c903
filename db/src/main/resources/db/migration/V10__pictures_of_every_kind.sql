-- A scan may come as TIFF or PDF: it is kept as it came, and shown as a JPEG.
alter table picture drop constraint picture_media_type_check;
alter table picture add constraint picture_media_type_check
    check (media_type in ('image/jpeg', 'image/png', 'image/tiff', 'application/pdf'));
