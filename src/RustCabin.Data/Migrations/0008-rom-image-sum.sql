-- The beginning of each image's SHA-256: a plan names an image by number and sum, so that a pack from another cabin never finds a wrong one under the same number.
alter table rom_image add column sum text not null default '';
