# frozen_string_literal: true

# What a host said, in words, when its robots.txt could not be had: where everything is disallowed for that, it is the
# reason.
class TellWhyARobotsTxtCouldNotBeHad < ActiveRecord::Migration[7.2]
  def change
    add_column :robots_files, :error_detail, :text
  end
end
